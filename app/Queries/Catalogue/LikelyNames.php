<?php

declare(strict_types=1);

namespace App\Queries\Catalogue;

use App\Queries\Catalogue\Sets\FirstAnswer;
use App\Queries\Catalogue\Sets\Gathering;
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

    /** As many names of a kind are kept for each beginning; where there are fewer, those are all. */
    public const KEPT = 24;

    /** As many more than are wanted are asked for at first, of which a library has enough as a rule: a title it has or has not, of another name one of several. */
    private const MORE_TITLES = 3;

    private const MORE_OTHERS = 1;

    /** Where all names are to be asked. */
    private const UNKNOWN = ['title' => null, 'person' => null, 'series' => null, 'subject' => null];

    /** @param  int  $many  a name with more titles is counted by sets */
    public function __construct(private readonly HeldByName $heldByName, private readonly int $many = 100)
    {
    }

    /**
     * Of those that were gathered for the beginning of a word, what the library has, in rows by kind.
     *
     * @param  non-empty-list<string>  $words  what was typed; the first letters of the last lead there
     * @param  string  $named  all of it, as a tsquery on names
     * @return array{title: list<stdClass>|null, person: list<stdClass>|null, series: list<stdClass>|null, subject: list<stdClass>|null} the likeliest first; null where all names are to be asked
     */
    public function of(int $libraryId, array $words, string $named, int $each, DateTimeImmutable $now): array
    {
        $word = $words[count($words) - 1];
        $prefix = mb_substr($word, 0, self::LONGEST);
        if (mb_strlen($prefix) < self::SHORTEST) {
            return self::UNKNOWN;
        }
        foreach ([[$each + self::MORE_TITLES, $each + self::MORE_OTHERS], [self::KEPT, self::KEPT]] as [$mostTitles, $mostOthers]) {
            $begun = $this->begun($prefix, count($words) === 1 && $prefix === $word ? null : $named, $mostTitles, $mostOthers, $now);
            if ($begun === null) {
                return self::UNKNOWN;
            }
            $gathering = Gathering::of($begun->gathered ?? [], $begun->loose, $begun->changed);
            $found = self::UNKNOWN;
            foreach ($this->heldByName->of(self::names($begun), $gathering, $libraryId, $now) as $name) {
                $found[$name->kind]["{$name->id}:{$name->role}"] = $name;
            }
            $found = array_map(fn (?array $names): array => array_slice(array_values($names ?? []), 0, $each), $found);
            $left = array_filter(array_keys($found), fn (string $kind): bool => count($found[$kind]) < $each && count($begun->$kind ?? []) === ($kind === 'title' ? $mostTitles : $mostOthers));
            if ($left === []) {
                break;
            }
        }
        $full = fn (string $kind): bool => in_array($kind, $begun->full ?? [], true);
        $of = function (string $kind) use ($found, $full): ?array {
            usort($found[$kind], fn (stdClass $a, stdClass $b): int => [$b->n, $a->name] <=> [$a->n, $b->name]);

            return $found[$kind] === [] && $full($kind) ? null : $found[$kind];
        };
        $titles = $found['title'] === [] && ($full('title') || $gathering === null || $begun->new === null) ? $this->lessLikely($libraryId, $word, $named, $each, $now) : $found['title'];

        return ['title' => $titles, 'person' => $of('person'), 'series' => $of('series'), 'subject' => $of('subject')];
    }

    /** What names_begun says. */
    private function begun(string $prefix, ?string $named, int $titles, int $others, DateTimeImmutable $now): ?stdClass
    {
        $json = DB::scalar('select names_begun(?, ?, ?, ?, ?, ?, ?, ?)', [
            $prefix, $named, $now->format('Y-m-d H:i:s.uP'), Gathering::MOST_LOOSE + 1, self::KEPT, $titles, $others, $this->many,
        ]);

        return is_string($json) ? json_decode($json) : null;
    }

    /** @return list<stdClass> with kind, id, role, name and titles; new titles last */
    private static function names(stdClass $begun): array
    {
        $names = [];
        foreach (array_keys(self::UNKNOWN) as $kind) {
            foreach ($begun->$kind ?? [] as $name) {
                $name->kind = $kind;
                $names[] = $name;
            }
        }
        foreach ($begun->new ?? [] as $name) {
            $name->kind = 'title';
            $names[] = $name;
        }

        return $names;
    }

    /**
     * Titles that have a stem that begins so, or are those of the word, which may be shorter than the word itself.
     *
     * @return list<stdClass>
     */
    private function lessLikely(int $libraryId, string $word, string $named, int $each, DateTimeImmutable $now): array
    {
        [$held, $bindings] = HeldTitles::condition($libraryId, $now);
        $titles = fn (string $condition, array $of): array => DB::select(
            "select t.id, t.name, t.edition, s.format from search_rows s join titles t on t.id = s.title_id
                where {$condition} and to_tsvector('fig_exact', t.name) @@ to_tsquery('fig_exact', ?) and {$held} order by s.times_borrowed + 0 desc, t.id limit {$each}",
            [...$of, $named, ...$bindings],
        );
        $first = FirstAnswer::at($now, [$word]);
        if ($first === null) {
            return array_values($titles("s.stems @@ (?::tsquery || search_names(to_tsquery('fig_en', ?) || to_tsquery('fig_es', ?)))", ["'t.{$word}':*", "'{$word}'", "'{$word}'"]));
        }
        $found = [];
        $words = new WordSets($first);
        $named = $words->named(new Term([$word], begins: true))->or($words->named(new Term([$word])))->or($first->gathering->changed);
        foreach ($first->gathering->inRings($named, 'popular') as $ring) {
            if (! $ring->isEmpty() && count($found) < $each) {
                array_push($found, ...$titles('s.title_id = any(?::bigint[])', ['{'.implode(',', $ring->numbers()).'}']));
            }
        }

        return array_slice($found, 0, $each);
    }
}
