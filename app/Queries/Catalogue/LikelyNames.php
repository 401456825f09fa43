<?php

declare(strict_types=1);

namespace App\Queries\Catalogue;

use App\Queries\Catalogue\Sets\FirstAnswer;
use App\Queries\Catalogue\Sets\WordSets;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Query\Term;
use Illuminate\Support\Facades\DB;
use stdClass;

/** The names that are most likely meant by the beginning of a word, as they were gathered for a large catalogue; none where none were. */
final class LikelyNames
{
    /** Letters of the beginnings that are kept. */
    public const SHORTEST = 2;

    public const LONGEST = 6;

    public function __construct(private readonly HeldByName $heldByName)
    {
    }

    /**
     * Of those that were gathered for the beginning of a word, what the library has, in rows by kind.
     *
     * @param  string  $word  of which the first letters lead there
     * @param  string  $named  all that was typed, as a tsquery on names
     * @return array{title: array<stdClass>|null, person: array<stdClass>|null, series: array<stdClass>|null, subject: array<stdClass>|null} the likeliest first; null where all names are to be asked
     */
    public function of(int $libraryId, string $word, string $named, int $each, DateTimeImmutable $now): array
    {
        $prefix = mb_substr($word, 0, self::LONGEST);
        if (mb_strlen($prefix) < self::SHORTEST) {
            return ['title' => null, 'person' => null, 'series' => null, 'subject' => null];
        }
        [$held, $bindings] = HeldTitles::condition($libraryId, $now);
        $known = DB::table('search_prefixes')->where('prefix', $prefix)->distinct()->pluck('kind')->flip();
        if ($known->isEmpty() && DB::table('search_prefixes')->doesntExist()) {
            return ['title' => null, 'person' => null, 'series' => null, 'subject' => null];
        }
        $titles = fn (string $from, string $condition, array $of, string $order): array => DB::select(
            "select t.id, t.name, t.edition, s.format from {$from} join titles t on t.id = s.title_id
                where {$condition} and to_tsvector('fig_exact', t.name) @@ to_tsquery('fig_exact', ?) and {$held} order by {$order} limit {$each}",
            [...$of, $named, ...$bindings],
        );
        // Where no title that is borrowed much is meant, few are called so at all, and those are found by all names that begin so.
        $titles = $titles('search_prefixes p join search_rows s on s.title_id = p.ref', "p.prefix = ? and p.kind = 'title'", [$prefix], 'p.place')
            ?: $this->lessLikely($titles, $word, $each, $now);
        $others = DB::select(
            "select p.kind, p.ref id, p.role, coalesce(c.name, x.name, u.name) as name from search_prefixes p left join contributors c on p.kind = 'person' and c.id = p.ref
                left join series x on p.kind = 'series' and x.id = p.ref left join subjects u on p.kind = 'subject' and u.id = p.ref
                where p.prefix = ? and p.kind <> 'title' and coalesce(c.words, x.words, u.words) @@ to_tsquery('fig_exact', ?) order by p.kind, p.place",
            [$prefix, $named],
        );
        // Of people, series and subjects every beginning is kept: where one has none, there are none.
        /** @var array<string, list<stdClass>> $found */
        $found = [];
        foreach (['person', 'series', 'subject'] as $kind) {
            $found[$kind] = $this->heldByName->first($kind, array_values(array_filter($others, fn (stdClass $row): bool => $row->kind === $kind)), $libraryId, $each, $now);
        }
        $of = function (string $kind) use ($found, $known): ?array {
            $rows = $found[$kind];
            usort($rows, fn (stdClass $a, stdClass $b): int => [$b->n, $a->name] <=> [$a->n, $b->name]);

            return $rows === [] && isset($known[$kind]) ? null : $rows;
        };

        return ['title' => array_values($titles), 'person' => $of('person'), 'series' => $of('series'), 'subject' => $of('subject')];
    }

    /**
     * By stems that begin so, or are those of the word, which may be shorter than the word itself.
     *
     * @param  callable(string, string, list<mixed>, string): array<stdClass>  $titles
     * @return array<stdClass>
     */
    private function lessLikely(callable $titles, string $word, int $each, DateTimeImmutable $now): array
    {
        $order = 's.times_borrowed + 0 desc, t.id';
        $first = FirstAnswer::at($now, [$word]);
        if ($first === null) {
            return $titles('search_rows s', "s.stems @@ (?::tsquery || search_names(to_tsquery('fig_en', ?) || to_tsquery('fig_es', ?)))", ["'t.{$word}':*", "'{$word}'", "'{$word}'"], $order);
        }
        $found = [];
        $words = new WordSets($first);
        $named = $words->named(new Term([$word], begins: true))->or($words->named(new Term([$word])))->or($first->gathering->loose);
        foreach ($first->gathering->inRings($named, 'popular') as $ring) {
            if (! $ring->isEmpty() && count($found) < $each) {
                array_push($found, ...$titles('search_rows s', 's.title_id = any(?::bigint[])', ['{'.implode(',', $ring->numbers()).'}'], $order));
            }
        }

        return array_slice($found, 0, $each);
    }
}
