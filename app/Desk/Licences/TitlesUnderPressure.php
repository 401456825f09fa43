<?php

declare(strict_types=1);

namespace App\Desk\Licences;

use App\Catalogue\Search\QuerySql;
use App\Models\Library;
use App\Shared\PageAsked;
use App\Shared\Sql;
use App\Shared\TitleNames;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Query\QueryParser;
use FigPorch\Core\Desk\HoldPressure;
use Generator;
use Illuminate\Pagination\LengthAwarePaginator;
use Illuminate\Pagination\Paginator;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\LazyCollection;
use LogicException;
use stdClass;

/** A library's titles with their copies and their lines. */
final class TitlesUnderPressure
{
    public const PAGE = 25;

    private const ALIVE = '(ends_at is null or ends_at > :now)
        and (loans_left is null or loans_left > 0 or copies_free < copies)';

    /** The library's own licences of one title that live; the title is named by what stands before. */
    private const OWN = 'from licences where title_id = t.id and library_id = :library and ' . self::ALIVE;

    private const ENDING = 'select distinct title_id id from licences
        where library_id = :library and ends_at > :now and ends_at <= :soon';

    private const FEW_LOANS = 'select distinct title_id id from licences
        where library_id = :library and loans_bought is not null and loans_left <= :few
            and (ends_at is null or ends_at > :now) and (loans_left > 0 or copies_free < copies)';

    /** Of the titles that are waited for, those that each way to look at lines shows. */
    private const LINES = [
        'waited_for' => 'true',
        'pressed' => 'alive and holds >= :high * copies',
        'no_copy' => 'not alive and not exists (select from licences s join libraries o on o.id = s.library_id
            join libraries lib on lib.id = :library where s.title_id = w.id and s.shared
                and licence_has_future(s, :now) and licence_serves(s.shared, o, lib) offset 0)',
    ];

    private const ORDERS = [
        'pressure' => 'holds::float / nullif(copies, 0) desc nulls first, holds desc',
        'holds' => 'holds desc',
        'ends' => '(select min(ends_at) ' . self::OWN . ') nulls last',
        'loans_left' => '(select min(loans_left) ' . self::OWN . ') nulls last',
        'copies' => 'copies desc',
        'name' => '(select lower(name) from titles n where n.id = t.id)',
    ];

    /**
     * A page of what is looked for, and the figures of all: read at once, as both go through every line.
     *
     * @return array{array<string, int>, LengthAwarePaginator<int, TitleUnderPressure>} the figures as counts() has
     *     them, and the titles
     */
    public function page(PressureSearch $search, DateTimeImmutable $now): array
    {
        $page = PageAsked::uncounted();
        $rows = $this->rows($search, self::PAGE, ($page - 1) * self::PAGE, $now);
        if ($rows[0]->id === null && $page > 1) {
            $all = $this->rows($search, 1, 0, $now);
            $page = PageAsked::of((int) $all[0]->found, self::PAGE);
            $rows = $this->rows($search, self::PAGE, ($page - 1) * self::PAGE, $now);
        }
        $titles = array_values(array_filter($rows, fn(stdClass $row): bool => $row->id !== null));
        $figures = [];
        foreach (PressureSearch::COUNTED as $show) {
            $figures[$show] = (int) $rows[0]->{$show};
        }

        return [
            $figures,
            new LengthAwarePaginator(self::named($titles), (int) $rows[0]->found, self::PAGE, $page, [
                'path' => Paginator::resolveCurrentPath(),
            ]),
        ];
    }

    /** @return Generator<list<TitleUnderPressure>> all that match, in order, some at a time */
    public function all(PressureSearch $search, DateTimeImmutable $now): Generator
    {
        [$found, $values] = $this->found($search, $now);
        $order = self::ORDERS[$search->order];
        $waited = self::waited(self::isOfAll($search));
        $sql =
            "with {$waited}, found as ({$found}), page as (select *, row_number() over (order by {$order}, id) place
                from found t) " . self::shown('page');
        $rows = LazyCollection::make(fn() => DB::cursor($sql, self::namedIn($sql, $values)));
        foreach ($rows->chunk(200) as $some) {
            yield self::named(array_values($some->all()));
        }
    }

    /** @return array<string, int> how many titles each of PressureSearch::COUNTED has, in one look */
    public function counts(int $libraryId, DateTimeImmutable $now): array
    {
        $row = self::ask('with ' . self::waited(false) . self::figures(false), self::values($libraryId, $now))[0];

        return array_map(intval(...), array_intersect_key((array) $row, array_flip(PressureSearch::COUNTED)));
    }

    /**
     * @return non-empty-list<stdClass> so many of what is found; one with nothing but the figures where that is none
     */
    private function rows(PressureSearch $search, int $limit, int $offset, DateTimeImmutable $now): array
    {
        [$found, $values] = $this->found($search, $now);
        $order = self::ORDERS[$search->order];
        $ofAll = self::isOfAll($search);
        [$waited, $figures] = [self::waited($ofAll), self::figures($ofAll)];
        $count = $ofAll ? 'select titles found from figures' : 'select count(*) found from found';
        $rows = self::ask(
            "with {$waited}, figures as ({$figures}), found as ({$found}), page as (select *, row_number() over () place
                    from (select * from found t order by {$order}, id limit {$limit} offset {$offset}) t)" .
                self::shown("figures cross join ({$count}) n left join page on true"),
            $values,
        );

        return $rows === [] ? throw new LogicException('No figures.') : $rows;
    }

    /** Whether all titles are gone through, and not only those that some words find. */
    private static function isOfAll(PressureSearch $search): bool
    {
        return $search->show === 'all' && $search->words === '';
    }

    /**
     * The titles that are waited for, with their copies: "waited".
     *
     * @param  bool  $ofAll  where all titles are shown, they are gone through once, as "every"
     */
    private static function waited(bool $ofAll): string
    {
        [$alive, $copies] = [self::ALIVE, self::copies()];
        $holds = "h as materialized (select title_id id, count(*)::int holds from holds
            where library_id = :library and closed_at is null and state <> 'ready' group by 1)";

        return $ofAll
            ? "{$holds}, every as materialized (select id, sum(holds)::int holds,
                    coalesce(sum(copies) filter (where alive), 0)::int copies, coalesce(bool_or(alive), false) alive
                    from (select title_id id, 0 holds, copies, {$alive} alive from licences where library_id = :library
                        union all select id, holds, 0, false from h) x group by id)"
            : "{$holds}, waited as materialized (select * from h t cross join lateral ({$copies}) own)";
    }

    /** Of one title. */
    private static function copies(): string
    {
        return 'select coalesce(sum(copies), 0)::int copies, count(*) > 0 alive ' . self::OWN;
    }

    /** How many titles each of PressureSearch::COUNTED has; where all are gone through, how many they are. */
    private static function figures(bool $ofAll): string
    {
        [$from, $titles] = $ofAll ? ['every', 'count(*)'] : ['waited', 'null::bigint'];
        [$ending, $few, $pressed, $none] = [
            self::ENDING,
            self::FEW_LOANS,
            self::LINES['pressed'],
            self::LINES['no_copy'],
        ];

        return " select waited.*, (select count(*) from ({$ending}) x) ending,
                (select count(*) from ({$few}) x) few_loans
            from (select {$titles} titles, count(*) filter (where holds > 0) waited_for,
                count(*) filter (where holds > 0 and {$pressed}) pressed,
                count(*) filter (where holds > 0 and {$none}) no_copy from {$from} w) waited";
    }

    /**
     * The titles of a way to look that is not of lines alone.
     *
     * @param  string  $worded  SQL of the titles that the words find; empty where there are no words
     */
    private static function titles(string $show, string $worded): string
    {
        $copies = self::copies();
        // An array, so that each is looked up: the planner takes few to be found, and would look for them in all.
        $some = match ($show) {
            'ending' => self::ENDING,
            'few_loans' => self::FEW_LOANS,
            default
                => "select title_id id from licences where library_id = :library and title_id = any(array({$worded}))
                union select id from h",
        };

        return $show === 'all' && $worded === ''
            ? 'select * from every'
            : "select t.id, coalesce(holds, 0) holds, copies from ({$some}) t left join h using (id)
                cross join lateral ({$copies}) own";
    }

    /** What is shown of a page's titles, in their order. */
    private static function shown(string $from): string
    {
        return " select t.*, more.* from (select * from {$from}) t cross join lateral (select
                coalesce(sum(copies_free), 0)::int copies_free,
                sum(loans_left)::int loans_left, min(ends_at) ends_at " .
            self::OWN .
            ') more order by place';
    }

    /** @return array<string, string|int> */
    private static function values(int $libraryId, DateTimeImmutable $now): array
    {
        return [
            'library' => $libraryId,
            'now' => Sql::second($now),
            'soon' => Sql::second($now->modify('+' . PressureSearch::ENDING_DAYS . ' days')),
            'few' => PressureSearch::FEW_LOANS,
            'high' => HoldPressure::HIGH,
        ];
    }

    /** @return array{string, array<string, mixed>} */
    private function found(PressureSearch $search, DateTimeImmutable $now): array
    {
        $values = self::values($search->libraryId, $now);
        $where = $worded = '';
        if ($search->format !== null) {
            $where .= ' and exists (select from titles f where f.id = w.id and f.format = :format offset 0)';
            $values['format'] = $search->format->value;
        }
        if ($search->words !== '') {
            $query = QuerySql::of(QueryParser::read($search->words)->tree);
            $named = 0;
            $worded =
                'select s.title_id from search_rows s where ' .
                preg_replace_callback(
                    '/\?/',
                    function () use (&$named): string {
                        return ':word' . $named++;
                    },
                    $query->sql,
                );
            // Looked up once: the planner, which takes few to be found, would go through them for each title.
            $where .= " and (w.id in ({$worded})) is true";
            foreach ($query->bindings as $n => $value) {
                $values["word{$n}"] = $value;
            }
        }
        $line = self::LINES[$search->show] ?? null;

        return [
            $line === null
                ? 'select * from (' . self::titles($search->show, $worded) . ") w where true{$where}"
                : "select * from waited w where {$line}{$where}",
            $values,
        ];
    }

    /**
     * @param  array<string, mixed>  $values  of which those count that are named
     * @return list<stdClass>
     */
    private static function ask(string $sql, array $values): array
    {
        return array_values(DB::select($sql, self::namedIn($sql, $values)));
    }

    /**
     * @param  array<string, mixed>  $values
     * @return array<string, mixed>
     */
    private static function namedIn(string $sql, array $values): array
    {
        return array_filter($values, fn(string $name): bool => str_contains($sql, ":{$name}"), ARRAY_FILTER_USE_KEY);
    }

    /**
     * @param  list<stdClass>  $rows
     * @return list<TitleUnderPressure>
     */
    private static function named(array $rows): array
    {
        $titles = TitleNames::titles(array_column($rows, 'id'));

        return array_map(
            fn(stdClass $row): TitleUnderPressure => new TitleUnderPressure(
                title: $titles[$row->id] ?? throw new LogicException('A row without its title.'),
                copies: $row->copies,
                copiesFree: $row->copies_free,
                loansLeft: $row->loans_left,
                endsAt: $row->ends_at === null ? null : new DateTimeImmutable($row->ends_at),
                holds: $row->holds,
            ),
            $rows,
        );
    }

    /** Whether the library has, or had, a licence for anything. */
    public function hasAny(Library $library): bool
    {
        return DB::table('licences')->where('library_id', $library->id)->exists();
    }
}
