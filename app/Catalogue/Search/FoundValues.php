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

    /** Of more titles the database finds what they have by the search itself. */
    private const BY_NUMBER = 20_000;

    public function __construct(private readonly BitmapEngine $bitmaps) {}

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
        [$values, $bindings] = $this->values($search, $filter, $now);
        $names = $filter::NAMES;
        $name = $names === null ? 'v.value::text' : 'n.name';
        $from =
            "(select v as value, count(*) titles from ({$values}) x group by v) v " .
            ($names === null ? '' : "join {$names} n on n.id = v.value ") .
            'where not v.value::text = any(?::text[])';
        $bindings[] = self::texts($filter->chosen);
        $words = SearchWords::of($find);
        if ($words !== []) {
            $from .= " and to_tsvector('fig_exact', {$name}) @@ ?::tsquery";
            $bindings[] = implode(' & ', array_map(fn(string $word): string => "'{$word}':*", $words));
        }
        $first = $order === 'name' ? '' : 'v.titles desc, ';
        $rows = fn(int $page): array => DB::select(
            "select v.value, {$name} as name, v.titles, count(*) over () \"of\" from {$from}
                order by {$first} lower({$name}), v.value limit ? offset ?",
            [...$bindings, self::PAGE, ($page - 1) * self::PAGE],
        );
        // How many there are is known with them, and not before.
        $page = PageAsked::uncounted();
        $found = $rows($page);
        if ($found === [] && $page > 1) {
            $page = PageAsked::of($rows(1)[0]->of ?? 0, self::PAGE);
            $found = $rows($page);
        }

        return new LengthAwarePaginator($found, $found[0]->of ?? 0, self::PAGE, $page, [
            'path' => Paginator::resolveCurrentPath(),
        ]);
    }

    /** @return array{string, list<mixed>} SQL of rows of "v" */
    private function values(SearchRequest $search, ListFilter $filter, DateTimeImmutable $now): array
    {
        $ids = $this->bitmaps->canAnswer($search, $now) ? $this->bitmaps->ids($search, $now, self::BY_NUMBER) : null;
        if ($ids !== null) {
            return [$filter::values('search_rows', 'title_id = any(?::bigint[])'), [Sql::array($ids)]];
        }
        [$join, $where, $bindings] = SearchSql::where($search, $now);

        return [$filter::values("search_rows s {$join}", $where), $bindings];
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
