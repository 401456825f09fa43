<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

use App\Catalogue\Filters\FlagFilter;
use App\Catalogue\Filters\ListFilter;
use App\Catalogue\Filters\OneValueFilter;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Query\QueryParser;
use FigPorch\Core\Catalogue\Reach;

/** A search as conditions on search_rows (alias s). */
final class SearchSql
{
    /**
     * All that a search asks of search_rows (alias s), but for what can be had of it at this moment.
     *
     * @return array{string, list<mixed>}
     */
    public static function condition(SearchRequest $search): array
    {
        [$where, $bindings] = self::base($search);
        foreach ($search->filters->of(OneValueFilter::class) as $filter) {
            if ($filter->isSet() && !($filter instanceof FlagFilter)) {
                [$sql, $values] = $filter->fits($filter::value('s.', ''));
                $where .= " and {$sql}";
                array_push($bindings, ...$values);
            }
        }

        return [$where, $bindings];
    }

    /**
     * Everything, on search_rows s joined with what can be had of it ("had").
     *
     * @return array{string, string, list<mixed>} the join, the condition, the bindings of both
     */
    public static function where(SearchRequest $search, DateTimeImmutable $now): array
    {
        [$can, $canBindings] = HeldTitles::anywhere($search->places(), $now);
        [$where, $bindings] = self::base($search, $now);
        foreach ($search->filters->of(OneValueFilter::class) as $filter) {
            if ($filter->isSet()) {
                [$sql, $values] = $filter->fits($filter::value('s.', 'had.can'));
                $where .= " and {$sql}";
                array_push($bindings, ...$values);
            }
        }

        return [
            "cross join lateral (select {$can} can offset 0) had",
            "{$where} and " . self::within($search, 'had.can'),
            [...$canBindings, ...$bindings],
        ];
    }

    /**
     * Held by one of the libraries, or beyond all of them; with <>, which the planner takes to be so of nearly all
     * rows, as it is.
     */
    public static function within(SearchRequest $search, string $can): string
    {
        return $search->scope === Reach::Beyond ? "{$can} & 1 <> 1" : "{$can} & 1 <> 0";
    }

    /**
     * What the consortium or the supplier has.
     *
     * @return array{string, list<mixed>}
     */
    public static function beyond(SearchRequest $search): array
    {
        $listed = $search->eligibility->listed();

        return [
            '(s.supplied or s.held && array(select id::int from libraries where consortium_id = (select consortium_id
                from libraries where id = ?)))' .
            ($listed === null ? '' : " and s.format || ':' || s.audience = any(?::text[])"),
            [$search->libraryId, ...$listed === null ? [] : [Sql::array($listed)]],
        ];
    }

    /**
     * The words, and the filters that narrow themselves.
     *
     * @param  DateTimeImmutable|null  $now  to leave out what the libraries cannot have at this moment
     * @return array{string, list<mixed>}
     */
    public static function base(SearchRequest $search, ?DateTimeImmutable $now = null): array
    {
        $query = QuerySql::of($search->query->tree);
        // Signs without a word are in no record.
        [$where, $bindings] = $search->hasNoWord() ? ['false', []] : [$query->sql, $query->bindings];
        foreach ($search->filters->of(ListFilter::class) as $filter) {
            foreach ($filter->chosen as $value) {
                [$sql, $values] = $filter::has($value);
                $where .= " and {$sql}";
                array_push($bindings, ...$values);
            }
        }
        if ($search->scope !== Reach::Beyond && $now !== null) {
            [$perhaps, $values] = HeldTitles::perhaps(array_keys($search->places()), $now);
            $where .= " and {$perhaps}";
            array_push($bindings, ...$values);
        }
        if ($search->scope === Reach::Beyond) {
            [$beyond, $values] = self::beyond($search);
            $where .= " and {$beyond}";
            array_push($bindings, ...$values);
        }
        if ($search->listWords !== null) {
            $of = QuerySql::of(QueryParser::read($search->listWords)->tree);
            $where .= " and {$of->sql}";
            array_push($bindings, ...$of->bindings);
        } elseif ($search->staffListId !== null) {
            $where .= ' and s.title_id in (select title_id from staff_list_title where staff_list_id = ?)';
            $bindings[] = $search->staffListId;
        }

        return [$where, $bindings];
    }
}
