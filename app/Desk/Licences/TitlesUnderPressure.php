<?php

declare(strict_types=1);

namespace App\Desk\Licences;

use App\Catalogue\Search\QuerySql;
use App\Lending\Licences\UsableLicences;
use App\Lending\Queues\HoldQueues;
use App\Models\Library;
use App\Shared\PageAsked;
use App\Shared\Sql;
use App\Shared\TitleNames;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Query\QueryParser;
use FigPorch\Core\Desk\HoldPressure;
use FigPorch\Core\Lending\Forecast\Forecast;
use FigPorch\Core\Lending\Licence;
use Generator;
use Illuminate\Pagination\LengthAwarePaginator;
use Illuminate\Pagination\Paginator;
use Illuminate\Support\Facades\DB;

/** A library's titles with their copies, their lines, and what would shorten the wait. */
final class TitlesUnderPressure
{
    private const PAGE = 25;

    /** Holds and own licences of each title; the library and the moment are named. */
    private const FIGURES = 'with h as (select title_id, count(*) n from holds
        where library_id = :library and closed_at is null and state <> \'ready\' group by 1),
        li as (select title_id, coalesce(sum(copies) filter (where alive), 0)::int copies, coalesce(sum(copies_free)
            filter (where alive), 0)::int copies_free,
                sum(loans_left) filter (where alive)::int loans_left, min(loans_left)
                    filter (where alive)::int fewest, min(ends_at) filter (where alive) ends_at, bool_or(alive) alive
            from (select *, (ends_at is null or ends_at > :now) and (loans_left is null or loans_left > 0
                or copies_free < copies) alive from licences where library_id = :library%s) x group by 1)
        select t.id, coalesce(li.copies, 0) copies, coalesce(li.copies_free, 0) copies_free, li.loans_left, li.fewest,
            li.ends_at, coalesce(h.n, 0)::int holds
        from h full join li on li.title_id = h.title_id
            cross join lateral (select coalesce(h.title_id, li.title_id) as id) t where true';

    /** The same conditions as in query(), of all titles at once. */
    private const COUNTS = 'with h as materialized (select title_id, count(*) n from holds
        where library_id = :library and closed_at is null and state <> \'ready\' group by 1),
        waited as (select count(*) waited_for,
            count(*) filter (where li.n > 0 and h.n >= :high * coalesce(li.copies, 0)) pressed,
            count(*) filter (where li.n = 0 and not exists (select from licences s
                join libraries o on o.id = s.library_id join libraries lib on lib.id = :library
                where s.title_id = h.title_id and s.shared and licence_has_future(s, :now)
                    and licence_serves(s.shared, o, lib))) no_copy
            from h cross join lateral (select count(*) n, sum(copies) copies from licences
                where title_id = h.title_id and library_id = :library and (ends_at is null or ends_at > :now)
                and (loans_left is null or loans_left > 0 or copies_free < copies)) li)
        select waited.*, (select count(distinct title_id) from licences
                where library_id = :library and ends_at > :now and ends_at <= :soon) ending,
            (select count(distinct title_id) from licences where library_id = :library and loans_bought is not null
                and loans_left <= :few and (ends_at is null or ends_at > :now)
                and (loans_left > 0 or copies_free < copies)) few_loans
        from waited';

    private const ORDERS = [
        'pressure' => 'coalesce(h.n, 0)::float / nullif(coalesce(li.copies, 0), 0) desc nulls first, holds desc',
        'holds' => 'holds desc',
        'ends' => 'ends_at nulls last',
        'loans_left' => 'fewest nulls last',
        'copies' => 'copies desc',
        'name' => '(select lower(n.name) from titles n where n.id = t.id)',
    ];

    public function __construct(
        private readonly UsableLicences $usableLicences,
        private readonly HoldQueues $lines,
        private readonly LibraryPressure $pressure,
    ) {}

    /**
     * @param  array<string, int>  $counts  as counts() has them
     * @return LengthAwarePaginator<int, TitleUnderPressure>
     */
    public function page(
        Library $library,
        PressureSearch $search,
        array $counts,
        DateTimeImmutable $now,
    ): LengthAwarePaginator {
        [$sql, $bindings] = $this->query($search, $now);
        $isCounted = $search->format === null && $search->words === '' && $search->show !== 'all';
        $total = $isCounted ? $counts[$search->show] : DB::scalar("select count(*) from ({$sql}) counted", $bindings);
        $page = PageAsked::of($total, self::PAGE);
        $rows = DB::select(
            $sql .
                ' order by ' .
                self::ORDERS[$search->order] .
                ', t.id limit ' .
                self::PAGE .
                ' offset ' .
                ($page - 1) * self::PAGE,
            $bindings,
        );

        return new LengthAwarePaginator(
            $this->pressed($library, array_values($rows), $search->target, $now),
            $total,
            self::PAGE,
            $page,
            ['path' => Paginator::resolveCurrentPath()],
        );
    }

    /** @return Generator<TitleUnderPressure> all that match, in order */
    public function all(Library $library, PressureSearch $search, DateTimeImmutable $now): Generator
    {
        [$sql, $bindings] = $this->query($search, $now);
        foreach (
            array_chunk(DB::select($sql . ' order by ' . self::ORDERS[$search->order] . ', t.id', $bindings), 200)
            as $rows
        ) {
            yield from $this->pressed($library, $rows, $search->target, $now);
        }
    }

    /** @return array<string, int> how many titles each of PressureSearch::SHOWS but "all" has, in one look */
    public function counts(int $libraryId, DateTimeImmutable $now): array
    {
        return (array) DB::selectOne(self::COUNTS, [
            'library' => $libraryId,
            'now' => Sql::second($now),
            'soon' => Sql::second($now->modify('+' . PressureSearch::ENDING_DAYS . ' days')),
            'few' => PressureSearch::FEW_LOANS,
            'high' => HoldPressure::HIGH,
        ]);
    }

    /** @return array{string, array<string, mixed>} */
    private function query(PressureSearch $search, DateTimeImmutable $now): array
    {
        $waitedFor = ' and title_id in (select title_id from h)';
        $soon = Sql::second($now->modify('+' . PressureSearch::ENDING_DAYS . ' days'));
        $bindings = ['library' => $search->libraryId, 'now' => Sql::second($now)];
        [$licences, $where] = match ($search->show) {
            'waited_for' => [$waitedFor, ' and h.n > 0'],
            'pressed' => [$waitedFor, ' and h.n >= ' . HoldPressure::HIGH . ' * li.copies and li.alive'],
            'no_copy' => [
                $waitedFor,
                ' and h.n > 0 and li.alive is not true and not exists (select from licences s
                    join libraries o on o.id = s.library_id join libraries lib on lib.id = :library
                    where s.title_id = t.id and s.shared and licence_has_future(s, :now)
                        and licence_serves(s.shared, o, lib))',
            ],
            'ending' => [
                " and title_id in (select title_id from licences
                    where library_id = :library and ends_at > :now and ends_at <= '{$soon}')",
                ' and li.title_id is not null',
            ],
            'few_loans' => [
                ' and title_id in (select title_id from licences
                    where library_id = :library and loans_bought is not null and loans_left <= ' .
                PressureSearch::FEW_LOANS .
                ' and (ends_at is null or ends_at > :now) and (loans_left > 0 or copies_free < copies))',
                ' and li.title_id is not null',
            ],
            default => ['', ''],
        };
        if ($search->format !== null) {
            $where .= ' and exists (select from titles f where f.id = t.id and f.format = :format)';
            $bindings['format'] = $search->format->value;
        }
        if ($search->words !== '') {
            $query = QuerySql::of(QueryParser::read($search->words)->tree);
            $named = 0;
            $where .=
                ' and t.id in (select s.title_id from search_rows s where ' .
                preg_replace_callback(
                    '/\?/',
                    function () use (&$named): string {
                        return ':word' . $named++;
                    },
                    $query->sql,
                ) .
                ')';
            foreach ($query->bindings as $n => $value) {
                $bindings["word{$n}"] = $value;
            }
        }

        return [sprintf(self::FIGURES, $licences) . $where, $bindings];
    }

    /**
     * @param  list<\stdClass>  $rows
     * @return list<TitleUnderPressure>
     */
    private function pressed(Library $library, array $rows, int $target, DateTimeImmutable $now): array
    {
        $ids = array_column($rows, 'id');
        $titles = TitleNames::titles($ids);
        $licences = $this->usableLicences->of($library->id, $ids, $now);
        $waited = array_filter(
            $licences,
            fn(array $of): bool => array_filter($of, fn(Licence $l): bool => $l->canLend($now)) === [],
        );
        $lines = $this->lines->of($library->id, $waited);
        $pressed = [];
        foreach ($rows as $row) {
            $title = $titles[$row->id] ?? throw new \LogicException('A row without its title.');
            $line = isset($lines[$title->id])
                ? $this->pressure->line($library, $lines[$title->id]['licences'], $lines[$title->id]['waiting'], $now)
                : null;
            $pressure = $line === null ? null : $this->pressure->of($library, $title->format, Forecast::BRIEF);
            $wait = $line === null ? null : $pressure?->wait($line, $now);
            $pressed[] = new TitleUnderPressure(
                title: $title,
                copies: $row->copies,
                copiesFree: $row->copies_free,
                loansLeft: $row->loans_left,
                endsAt: $row->ends_at === null ? null : new DateTimeImmutable($row->ends_at),
                holds: $row->holds,
                wait: $wait,
                extraCopies: $line === null ? 0 : $pressure?->extraCopies($line, $target, $now, $wait),
            );
        }

        return $pressed;
    }

    /** Whether the library has, or had, a licence for anything. */
    public function hasAny(Library $library): bool
    {
        return DB::table('licences')->where('library_id', $library->id)->exists();
    }
}
