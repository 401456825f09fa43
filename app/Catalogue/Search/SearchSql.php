<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

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
        foreach (array_diff_key(self::choices($search, 's.'), ['ready' => 1, 'always' => 1]) as [$sql, $values]) {
            $where .= " and {$sql}";
            array_push($bindings, ...$values);
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
        foreach (self::choices($search, 's.', '(had.can & %d > 0)') as [$sql, $values]) {
            $where .= " and {$sql}";
            array_push($bindings, ...$values);
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
        return [
            '(s.supplied or s.held && array(select id::int from libraries where consortium_id = (select consortium_id
                from libraries where id = ?)))',
            [$search->libraryId],
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
        [$where, $bindings] = [$query->sql, $query->bindings];
        foreach ($search->subjects as $subject) {
            $where .= ' and s.title_id in (select title_id from subject_title where subject_id = ?)';
            $bindings[] = $subject;
        }
        if ($search->awards !== []) {
            $where .= ' and s.awards @> array(select jsonb_array_elements_text(?))';
            $bindings[] = json_encode($search->awards, JSON_THROW_ON_ERROR);
        }
        if ($search->seriesId !== null) {
            $where .= ' and s.series_id = ?';
            $bindings[] = $search->seriesId;
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

    /**
     * The filters of which one value is chosen, on the columns of search_rows and of what can be had.
     *
     * @return array{format: array{string, list<mixed>}, audience: array{string, list<mixed>}, language: array{string,
     *     list<mixed>}, ready: array{string, list<mixed>}, always: array{string, list<mixed>}, year: array{string,
     *     list<mixed>}, level: array{string, list<mixed>}}
     */
    public static function choices(SearchRequest $search, string $row = '', ?string $had = null): array
    {
        $all = ['true', []];
        $range = fn(string $of, array $from): array => $from === [null, null]
            ? $all
            : ["coalesce({$of} between ? and ?, false)", [$from[0] ?? -9999, $from[1] ?? 9999]];

        return [
            'format' => $search->format === null ? $all : ["{$row}format = ?", [$search->format->value]],
            'audience' => $search->audience === null ? $all : ["{$row}audience = ?", [$search->audience->value]],
            'language' =>
                $search->language === null ? $all : ["coalesce({$row}language = ?, false)", [$search->language]],
            'ready' => $search->readyNow ? [$had === null ? 'ready' : sprintf($had, HeldTitles::READY), []] : $all,
            'always' => $search->alwaysReady
                ? [$had === null ? 'always' : sprintf($had, HeldTitles::ALWAYS), []]
                : $all,
            'year' => $range("{$row}year", $search->years),
            'level' => $range("floor({$row}level)", $search->levels),
        ];
    }
}
