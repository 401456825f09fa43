<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

use App\Catalogue\Suggestions\Spelling;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\FormatWord;
use FigPorch\Core\Catalogue\Query\All;
use FigPorch\Core\Catalogue\Query\Node;
use FigPorch\Core\Catalogue\Query\Term;
use FigPorch\Core\Catalogue\SearchWords;
use FigPorch\Core\Catalogue\SeriesNumber;
use Illuminate\Support\Facades\DB;
use stdClass;

/** What would find something where a search finds nothing: a filter to drop, or another spelling. */
final class NoResultSuggestions
{
    /** Of more words than these one is not looked for by leaving out each. */
    private const MOST_WORDS = 6;

    private const SHOWN = 3;

    public function __construct(private readonly CatalogueSearch $catalogue) {}

    /**
     * @return array<string, int> by the name of a filter, how many titles there would be without it; only those with
     *     any, the most first
     */
    public function withoutFilter(SearchRequest $search, DateTimeImmutable $now): array
    {
        $counts = [];
        foreach (array_keys($search->narrowing()) as $filter) {
            $counts[$filter] = $this->catalogue->total($search->changed([$filter => null]), $now);
        }
        arsort($counts);

        return array_filter($counts);
    }

    /**
     * Where every word had to be there and no title has them all: what there would be without each of them, the most
     * first, and whether it may have meant a format.
     *
     * @return list<array{word: string, left: string, format: Format|null, total: int}> only what finds something
     */
    public function withoutWord(SearchRequest $search, DateTimeImmutable $now): array
    {
        $tree = $search->query->tree;
        $parts = $tree instanceof All ? $tree->parts : [];
        if (count($parts) > self::MOST_WORDS) {
            return [];
        }
        $found = [];
        foreach ($parts as $n => $part) {
            $word = $part instanceof Term && $part->isPlain() && count($part->words) === 1 ? $part->words[0] : null;
            if ($word === null) {
                continue;
            }
            $left = implode(' ', array_map(fn(Node $of): string => $of->text(), array_diff_key($parts, [$n => 1])));
            foreach (array_unique([FormatWord::of($word), null], SORT_REGULAR) as $format) {
                $total = $this->catalogue->total(
                    $search->changed(['q' => $left, ...$format === null ? [] : ['format' => $format->value]]),
                    $now,
                );
                if ($total > 0) {
                    $found[] = ['word' => $word, 'left' => $left, 'format' => $format, 'total' => $total];
                }
            }
        }
        usort(
            $found,
            fn(array $a, array $b): int => [$b['format'] !== null, $b['total']] <=> [
                $a['format'] !== null,
                $a['total'],
            ],
        );

        return array_slice($found, 0, self::SHOWN);
    }

    /**
     * "book 2 far skerries": the titles of that number in the series that are called so.
     *
     * @return list<stdClass> id, name, language, format, series, number; those that were borrowed most first
     */
    public function inSeries(SearchRequest $search, DateTimeImmutable $now): array
    {
        $asked = SeriesNumber::of(SearchWords::of($search->words));
        if ($asked === null) {
            return [];
        }
        [$held, $bindings] = HeldTitles::condition($search->libraryId, $now, eligibility: $search->eligibility);

        return array_values(
            DB::select(
                "select t.id, t.name, t.language, t.format, x.name series, t.series_position::float number from series x
                    join search_rows s on s.series_id = x.id join titles t on t.id = s.title_id
                    where x.words @@ to_tsquery('fig_exact', ?) and t.series_position = ? and {$held}
                    order by s.times_borrowed desc, t.id limit " . self::SHOWN,
                [
                    implode(' & ', array_map(fn(string $word): string => "'{$word}'", $asked->series)),
                    $asked->number,
                    ...$bindings,
                ],
            ),
        );
    }

    /**
     * The words of the search spelled as they stand in records, where one that is in none is like one that is; null
     * where nothing better is known.
     */
    public function spelling(SearchRequest $search, DateTimeImmutable $now): ?string
    {
        $spelled = $search->words;
        foreach ($search->query->words() as $word) {
            if (mb_strlen($word) < Spelling::SHORTEST || self::isKnown($word)) {
                continue;
            }
            $better = Spelling::of($word);
            if ($better === null) {
                return null;
            }
            $spelled = self::replaced($spelled, $word, $better);
        }
        if ($spelled === $search->words) {
            return null;
        }
        $found = $this->catalogue->total(
            SearchRequest::read($search->libraryId, ['q' => $spelled], $search->eligibility),
            $now,
        );

        return $found > 0 ? $spelled : null;
    }

    private static function isKnown(string $word): bool
    {
        $has = QuerySql::of(new Term([$word]));

        return DB::scalar("select exists (select from search_rows s where {$has->sql})", $has->bindings);
    }

    /** The word as it was typed, with its accents and capitals, gives way to the better one. */
    private static function replaced(string $typed, string $word, string $better): string
    {
        return (string) preg_replace_callback(
            '/[\p{L}\p{N}\p{Mn}]+/u',
            fn(array $m): string => SearchWords::fold($m[0]) === $word ? $better : $m[0],
            $typed,
        );
    }
}
