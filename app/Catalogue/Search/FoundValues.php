<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

use App\Catalogue\BitmapSearch\BitmapEngine;
use App\Catalogue\Filters\ListFilter;
use App\Shared\PageAsked;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\SearchWords;
use Illuminate\Pagination\LengthAwarePaginator;
use Illuminate\Pagination\Paginator;
use Illuminate\Support\Facades\DB;
use stdClass;

/** All values of a list that the titles have which a search finds, and how many titles have each. */
final class FoundValues
{
    public const ORDERS = ['titles', 'name'];

    private const PAGE = 120;

    private const BY_NUMBER = 'title_id = any(?::bigint[])';

    /** @param  int  $byNumber  of more titles those of each set are counted, or the numbers are sent as bits */
    public function __construct(private readonly BitmapEngine $bitmaps, private readonly int $byNumber = 20_000) {}

    /**
     * @param  string  $find  words, or their beginnings, that the names of the values must have; empty for all
     * @param  'titles'|'name'  $order  the most titles first, or from A to Z
     * @return LengthAwarePaginator<int, stdClass> value, name, titles
     */
    public function page(
        SearchRequest $search,
        ListFilter $filter,
        string $find,
        string $order,
        DateTimeImmutable $now,
    ): LengthAwarePaginator {
        $some = fn(int $page): array => $this->some(
            search: $search,
            filter: $filter,
            find: $find,
            byName: $order === 'name',
            most: self::PAGE,
            from: ($page - 1) * self::PAGE,
            now: $now,
        );
        // How many there are is known with them, and not before.
        $page = PageAsked::uncounted();
        $found = $some($page);
        if ($found === [] && $page > 1) {
            $page = PageAsked::of($some(1)[0]->of ?? 0, self::PAGE);
            $found = $some($page);
        }

        return new LengthAwarePaginator($found, $found[0]->of ?? 0, self::PAGE, $page, [
            'path' => Paginator::resolveCurrentPath(),
        ]);
    }

    /**
     * @param  string  $find  as page() has it
     * @param  bool  $byName  otherwise those of the most titles first
     * @param  int  $most  so many of them
     * @param  int  $from  after so many
     * @return list<stdClass> value, name, titles, of (how many values in all)
     */
    public function some(
        SearchRequest $search,
        ListFilter $filter,
        string $find,
        bool $byName,
        int $most,
        int $from,
        DateTimeImmutable $now,
    ): array {
        [$counted, $bindings] = $this->counted($search, $filter, $now);
        $names = $filter::NAMES;
        $words = SearchWords::of($find);
        $named = $words === [] ? '' : 'where ' . self::named($names);
        $begun = implode(' & ', array_map(fn(string $word): string => "'{$word}':*", $words));
        // Of what has too few titles to be shown no name is looked up.
        $shown = $byName
            ? 'others'
            : '(select * from others where titles >= (select min(titles) from (select titles from others
                order by titles desc limit ?) first))';
        [$name, $join] = $names === null ? ['v.value::text', ''] : ['n.name', "join {$names} n on n.id = v.value"];
        $titlesFirst = $byName ? '' : 'v.titles desc, ';

        return array_values(
            DB::select(
                "with found as materialized (select v as value, sum(n)::int titles from {$counted} x
                        {$named} group by v),
                    others as (select * from found where not value::text = any(?::text[]))
                    select v.value, {$name} as name, v.titles, (select count(*) from others) \"of\"
                    from {$shown} v {$join} order by {$titlesFirst}lower({$name}), v.value limit ? offset ?",
                [
                    ...$bindings,
                    ...array_fill(0, substr_count($named, '?'), $begun),
                    self::texts($filter->chosen),
                    ...$byName ? [] : [$from + $most],
                    $most,
                    $from,
                ],
            ),
        );
    }

    /** Whether the name of a value has words, as SQL. */
    private static function named(?string $names): string
    {
        // The index knows names by their words' stems as well.
        return $names === null
            ? "to_tsvector('fig_exact', v::text) @@ ?::tsquery"
            : "v in (select id from {$names} where words @@ ?::tsquery
                and to_tsvector('fig_exact', name) @@ ?::tsquery)";
    }

    /** @return array{string, list<mixed>} SQL of rows of "v", a value, and "n", how many titles have it */
    private function counted(SearchRequest $search, ListFilter $filter, DateTimeImmutable $now): array
    {
        $each = fn(string $values): string => "(select v, 1 n from ({$values}) y)";
        if (!$this->bitmaps->canAnswer($search, $now)) {
            [$join, $where, $bindings] = SearchSql::where($search, $now);

            return [$each($filter::values("search_rows s {$join}", $where)), $bindings];
        }
        $found = $this->bitmaps->everything($search, $now);
        if ($found->count() <= $this->byNumber) {
            return [$each($filter::valuesOf(self::BY_NUMBER)), [Sql::array($found->numbers())]];
        }
        $bySets = $this->bitmaps->bySets($filter::class, $search, $now);
        if ($bySets !== null) {
            [$counts, $others] = $bySets;
            $type = $filter::NAMES === null ? 'text' : 'bigint';

            return [
                "(select * from unnest(?::{$type}[], ?::int[]) y(v, n)
                    union all select v, 1 n from ({$filter::valuesOf(self::BY_NUMBER)}) y)",
                [self::texts(array_keys($counts)), Sql::array(array_values($counts)), Sql::array($others)],
            ];
        }
        $bits = $found->bits();

        return [
            $each($filter::valuesOf('case when title_id < ? then get_bit(?::bytea, title_id) = 1 else false end')),
            [strlen($bits) * 8, '\x' . bin2hex($bits)],
        ];
    }

    /** @param  list<int|string>  $values */
    private static function texts(array $values): string
    {
        return '{' .
            implode(
                ',',
                array_map(fn(int|string $of): string => '"' . addcslashes((string) $of, '"\\') . '"', $values),
            ) .
            '}';
    }
}
