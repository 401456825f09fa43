<?php

declare(strict_types=1);

namespace App\Catalogue\Suggestions;

use App\Catalogue\BitmapIndex\BitmapIndex;
use App\Catalogue\BitmapIndex\IndexPart;
use App\Catalogue\BitmapIndex\IndexSnapshot;
use App\Catalogue\BitmapSearch\WordBitmaps;
use App\Catalogue\Search\HeldTitles;
use App\Lending\LoanRules\CardEligibility;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Query\Term;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * The names that are most likely meant by the beginning of a word, as they were gathered for a large catalogue; none
 * where none were.
 */
final class LikelyNames
{
    /** Letters of the beginnings that are kept. */
    public const SHORTEST = 2;

    public const LONGEST = 6;

    /** As many names of a kind are kept for each beginning; where there are fewer, those are all. */
    public const KEPT = 24;

    /**
     * As many more than are wanted are asked for at first, of which a library has enough as a rule: a title it has or
     * has not, of another name one of several.
     */
    private const MORE_TITLES = 3;

    private const MORE_OTHERS = 1;

    private const KINDS = ['title', 'person', 'series', 'subject'];

    public function __construct(private readonly HeldByName $heldByName) {}

    /**
     * Of those that were gathered for the beginning of a word, what the library has, in rows by kind.
     *
     * @param  non-empty-list<string>  $words  what was typed; the first letters of the last lead there
     * @param  string  $named  all of it, as a tsquery on names
     * @return array{title: list<stdClass>|null, person: list<stdClass>|null, series: list<stdClass>|null,
     *     subject: list<stdClass>|null} the likeliest first; null where all names are to be asked
     */
    public function of(
        int $libraryId,
        array $words,
        string $named,
        int $each,
        DateTimeImmutable $now,
        CardEligibility $eligibility,
    ): array {
        $word = $words[count($words) - 1];
        $prefix = mb_substr($word, 0, self::LONGEST);
        if (mb_strlen($prefix) < self::SHORTEST) {
            return array_fill_keys(self::KINDS, null);
        }
        foreach (
            [[$each + self::MORE_TITLES, $each + self::MORE_OTHERS], [self::KEPT, self::KEPT]]
            as [$mostTitles, $mostOthers]
        ) {
            $begun = $this->begun(
                $prefix,
                count($words) === 1 && $prefix === $word ? null : $named,
                $mostTitles,
                $mostOthers,
                $now,
            );
            if ($begun === null) {
                return array_fill_keys(self::KINDS, null);
            }
            $gathering = BitmapIndex::of($begun->gathered, $begun->loose, $begun->changed);
            $found = array_fill_keys(self::KINDS, []);
            foreach (
                $this->heldByName->of(self::asTheyAre($begun), $gathering, $libraryId, $now, $eligibility)
                as $name
            ) {
                $found[$name->kind]["{$name->id}:{$name->role}"] = $name;
            }
            $found = array_map(fn(array $names): array => array_slice(array_values($names), 0, $each), $found);
            $asked = array_count_values(array_column($begun->names ?? [], 'kind'));
            $left = array_filter(
                self::KINDS,
                fn(string $kind): bool => count($found[$kind]) < $each &&
                    ($asked[$kind] ?? 0) === ($kind === 'title' ? $mostTitles : $mostOthers),
            );
            if ($left === []) {
                break;
            }
        }
        $full = fn(string $kind): bool => in_array($kind, $begun->full ?? [], true);
        $of = function (string $kind) use ($found, $full): ?array {
            usort($found[$kind], fn(stdClass $a, stdClass $b): int => [$b->n, $a->name] <=> [$a->n, $b->name]);

            return $found[$kind] === [] && $full($kind) ? null : $found[$kind];
        };
        $titles =
            $found['title'] === [] && ($full('title') || $gathering === null || !$begun->looked)
                ? $this->lessLikely(
                    libraryId: $libraryId,
                    word: $word,
                    named: $named,
                    each: $each,
                    now: $now,
                    eligibility: $eligibility,
                )
                : $found['title'];

        return ['title' => $titles, 'person' => $of('person'), 'series' => $of('series'), 'subject' => $of('subject')];
    }

    /**
     * What names_begun says; null where it was not gathered, or too much has changed since to tell what of it is true.
     */
    private function begun(string $prefix, ?string $named, int $titles, int $others, DateTimeImmutable $now): ?stdClass
    {
        $json = DB::scalar('select names_begun(?, ?, ?, ?, ?, ?, ?)', [
            $prefix,
            $named,
            Sql::timestamp($now),
            BitmapIndex::MOST_LOOSE + 1,
            self::KEPT,
            $titles,
            $others,
        ]);
        $begun = is_string($json) ? json_decode($json) : null;
        $gathered = array_column($begun->gathered ?? [], 'of');

        return in_array(IndexPart::Records->value, $gathered, true) && count($begun->changed) <= BitmapIndex::MOST_LOOSE
            ? $begun
            : null;
    }

    /**
     * The names with the titles that bear them now; new ones last.
     *
     * @return list<stdClass> titles that have changed are among the new, if they are called so still
     */
    private static function asTheyAre(stdClass $begun): array
    {
        /** @var list<stdClass> $names */
        $names = $begun->names ?? [];
        if ($begun->changed === []) {
            return $names;
        }
        $also = [];
        foreach ($begun->also as $bears) {
            $also["{$bears->kind}:{$bears->id}:{$bears->role}"][] = $bears->title;
        }
        foreach ($names as $name) {
            $name->titles = [
                ...array_diff($name->titles, $begun->changed),
                ...$also["{$name->kind}:{$name->id}:{$name->role}"] ?? [],
            ];
        }
        $names = array_filter($names, fn(stdClass $name): bool => $name->many || $name->titles !== []);

        return array_values(array_merge($names, $begun->new));
    }

    /**
     * Titles that have a stem that begins so, or are those of the word, which may be shorter than the word itself.
     *
     * @return list<stdClass>
     */
    private function lessLikely(
        int $libraryId,
        string $word,
        string $named,
        int $each,
        DateTimeImmutable $now,
        CardEligibility $eligibility,
    ): array {
        [$held, $bindings] = HeldTitles::condition($libraryId, $now, eligibility: $eligibility);
        $titles = fn(string $condition, array $of): array => DB::select(
            "select t.id, t.name, t.edition, t.language, s.format from search_rows s join titles t on t.id = s.title_id
                where {$condition} and to_tsvector('fig_exact', t.name) @@ to_tsquery('fig_exact', ?)
                    and {$held} order by s.times_borrowed + 0 desc, t.id limit {$each}",
            [...$of, $named, ...$bindings],
        );
        $first = IndexSnapshot::at($now, [$word]);
        if ($first === null) {
            return array_values(
                $titles("s.stems @@ (?::tsquery || search_names(to_tsquery('fig_en', ?) || to_tsquery('fig_es', ?)))", [
                    "'t.{$word}':*",
                    "'{$word}'",
                    "'{$word}'",
                ]),
            );
        }
        $found = [];
        $words = new WordBitmaps($first);
        $named = $words
            ->named(new Term([$word], begins: true))
            ->or($words->named(new Term([$word])))
            ->or($first->gathering->changed);
        foreach ($first->gathering->inRings($named, 'popular') as $ring) {
            if (!$ring->isEmpty() && count($found) < $each) {
                array_push($found, ...$titles('s.title_id = any(?::bigint[])', [Sql::array($ring->numbers())]));
            }
        }

        return array_slice($found, 0, $each);
    }
}
