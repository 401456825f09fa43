<?php

declare(strict_types=1);

namespace App\Queries\Catalogue;

use App\Queries\Catalogue\Sets\InSets;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\TitleSet;
use Illuminate\Support\Facades\DB;
use stdClass;

/** How many titles of a person in a role, in a series or about a subject a library has: by sets where there are such, by looking at each title of the others. */
final class HeldByName
{
    /** What leads from a name (alias x, with an id and a role) to its titles (title_id), as SQL. */
    private const TITLES = [
        'person' => 'contributor_title o where o.contributor_id = x.id and o.role = x.role',
        'subject' => 'subject_title o where o.subject_id = x.id',
        'series' => 'search_rows o where o.series_id = x.id',
    ];

    private const NAMES = 'unnest(?::bigint[], ?::text[], ?::int[]) x(id, role, place)';

    public function __construct(private readonly InSets $inSets)
    {
    }

    /**
     * @param  string  $kind  person, series or subject
     * @param  list<stdClass>  $names  with an id and a role
     * @param  int  $each  so many are wanted at the most
     * @return list<stdClass> the first of those that the library has anything of, with n titles each
     */
    public function first(string $kind, array $names, int $libraryId, int $each, DateTimeImmutable $now): array
    {
        $counts = $names === [] ? [] : $this->bySets($kind, $names, $libraryId, $now);
        $first = array_slice(array_filter($counts), 0, $each, true);
        // Names without a set are of no matter where enough others come before them.
        $others = array_diff_key(count($first) < $each ? $names : array_slice($names, 0, (int) array_key_last($first)), $counts);
        $counts += $others === [] ? [] : self::oneByOne($kind, $others, $libraryId, $each, $now);
        ksort($counts);
        $found = [];
        foreach (array_slice(array_filter($counts), 0, $each, true) as $n => $count) {
            $names[$n]->n = $count;
            $found[] = $names[$n];
        }

        return $found;
    }

    /**
     * @param  list<stdClass>  $names
     * @return array<int, int> by place among the names; only of those that have sets
     */
    private function bySets(string $kind, array $names, int $libraryId, DateTimeImmutable $now): array
    {
        $gathering = $this->inSets->latest($now);
        $set = fn (stdClass $name): string => $kind === 'person' ? "person:{$name->id}:{$name->role}" : "{$kind}:{$name->id}";
        $known = $gathering === null ? [] : array_filter($names, fn (stdClass $name): bool => $gathering->has($set($name)));
        if ($gathering === null || $known === []) {
            return [];
        }
        $sure = $gathering->every("held:{$libraryId}")->without($gathering->loose)->forCounting();
        $loose = $gathering->loose->isEmpty() ? [] : self::among($kind, $known, $gathering->loose, $libraryId, $now);
        $counts = [];
        foreach ($known as $n => $name) {
            $counts[$n] = $gathering->count($set($name), $sure) + ($loose[$n] ?? 0);
        }

        return $counts;
    }

    /**
     * @param  array<int, stdClass>  $names
     * @return array<int, int> by place among the names, how many of some titles are theirs and held
     */
    private static function among(string $kind, array $names, TitleSet $titles, int $libraryId, DateTimeImmutable $now): array
    {
        [$held, $bindings] = HeldTitles::condition($libraryId, $now);

        return array_column(DB::select(
            'select x.place, count(*) n from '.self::NAMES.', lateral (select o.title_id from '.self::TITLES[$kind]." and o.title_id = any(?::bigint[])) o join search_rows s on s.title_id = o.title_id where {$held} group by x.place",
            [...self::arrays($names), '{'.implode(',', $titles->numbers()).'}', ...$bindings],
        ), 'n', 'place');
    }

    /**
     * In one question; the database, too, stops when there are enough.
     *
     * @param  array<int, stdClass>  $names
     * @return array<int, int> by place among the names
     */
    private static function oneByOne(string $kind, array $names, int $libraryId, int $each, DateTimeImmutable $now): array
    {
        [$held, $bindings] = HeldTitles::condition($libraryId, $now);

        return array_column(DB::select(
            'select x.place, c.n from '.self::NAMES.' cross join lateral (select count(*) n from (select o.title_id from '.self::TITLES[$kind].") o join search_rows s on s.title_id = o.title_id where {$held}) c where c.n > 0 limit {$each}",
            [...self::arrays($names), ...$bindings],
        ), 'n', 'place');
    }

    /**
     * @param  array<int, stdClass>  $names
     * @return array{string, string, string} as NAMES takes them
     */
    private static function arrays(array $names): array
    {
        return ['{'.implode(',', array_column($names, 'id')).'}', '{"'.implode('","', array_column($names, 'role')).'"}', '{'.implode(',', array_keys($names)).'}'];
    }
}
