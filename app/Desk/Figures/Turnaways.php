<?php

declare(strict_types=1);

namespace App\Desk\Figures;

use App\Models\Library;
use App\Shared\PageAsked;
use App\Shared\Sql;
use DateTimeImmutable;
use Illuminate\Pagination\LengthAwarePaginator;
use Illuminate\Pagination\Paginator;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;

/** What a library's patrons wanted and could not have, by title and month in the library's time; no patron is known. */
final class Turnaways
{
    private const PAGE = 25;

    public const MONTHS = 12;

    /** @return list<string> the last twelve months as "2026-11", this one last */
    public function months(Library $library, DateTimeImmutable $now): array
    {
        $first = $now->setTimezone($library->zone())->modify('first day of this month');

        return array_map(
            fn(int $ago): string => $first->modify("-{$ago} months")->format('Y-m'),
            range(self::MONTHS - 1, 0),
        );
    }

    /**
     * @return LengthAwarePaginator<int, stdClass> titles with id, name, format, total, and months as "2026-11" =>
     *     count, of all months or one; the most wanted first
     */
    public function byTitle(
        Library $library,
        DateTimeImmutable $now,
        ?string $reason = null,
        ?string $month = null,
        int $perPage = self::PAGE,
    ): LengthAwarePaginator {
        $months = $this->months($library, $now);
        $starts = $this->starts($library, $now);
        $n = array_search($month, $months, true);
        [$since, $until] = $month === null ? [$starts[0], end($starts)] : [$starts[(int) $n], $starts[(int) $n + 1]];
        $condition = 'library_id = ? and happened_at >= ? and happened_at < ?';
        $bindings = [$library->id, $since, $until];
        if ($month !== null && $n === false) {
            $condition .= ' and false';
        }
        if ($reason !== null) {
            $condition .= ' and reason = ?';
            $bindings[] = $reason;
        }
        $total = DB::scalar("select count(distinct title_id) from turnaways where {$condition}", $bindings);
        $page = PageAsked::of($total, $perPage);
        // Months are looked at for the titles of the page alone.
        $rows = DB::select(
            "with most as (select title_id, count(*)::int total from turnaways where {$condition} group by 1
                order by total desc, title_id limit ? offset ?)
            select t.id, t.name, t.format, most.total, (select json_object_agg(m.month, m.n) from
                (select width_bucket(happened_at, ?::timestamptz[]) - 1 as month, count(*) n from turnaways
                    where title_id = most.title_id and {$condition} group by 1) m) months
                from most join titles t on t.id = most.title_id order by most.total desc, t.id",
            [...$bindings, $perPage, ($page - 1) * $perPage, self::moments($starts), ...$bindings],
        );
        foreach ($rows as $row) {
            $counted = [];
            foreach ((array) json_decode($row->months, true) as $of => $count) {
                $counted[$months[(int) $of]] = (int) $count;
            }
            $row->months = $counted;
        }

        return new LengthAwarePaginator($rows, $total, $perPage, $page, ['path' => Paginator::resolveCurrentPath()]);
    }

    public function thisMonth(Library $library, DateTimeImmutable $now): int
    {
        return DB::table('turnaways')
            ->where('library_id', $library->id)
            ->where('happened_at', '>=', $this->starts($library, $now)[self::MONTHS - 1])
            ->count();
    }

    /** @return array<string, int> "2026-11" => count, of all titles or one */
    public function byMonth(Library $library, DateTimeImmutable $now, ?int $titleId = null): array
    {
        $starts = $this->starts($library, $now);
        $rows = DB::select(
            'select width_bucket(happened_at, ?::timestamptz[]) - 1 as month, count(*)::int n from turnaways
                where library_id = ? and happened_at >= ? and happened_at < ? and (?::bigint is null or title_id = ?)
                group by 1',
            [self::moments($starts), $library->id, $starts[0], end($starts), $titleId, $titleId],
        );
        $counts = array_column($rows, 'n', 'month');
        $of = [];
        foreach ($this->months($library, $now) as $n => $month) {
            $of[$month] = $counts[$n] ?? 0;
        }

        return $of;
    }

    /** @return Collection<int, stdClass> each one of a title, in a month or in all twelve: happened_at and reason */
    public function rows(Library $library, int $titleId, ?string $month, DateTimeImmutable $now): Collection
    {
        return DB::table('turnaways')
            ->where(['library_id' => $library->id, 'title_id' => $titleId])
            ->when(
                $month !== null,
                fn($q) => $q->whereRaw("to_char(happened_at at time zone ?, 'YYYY-MM') = ?", [
                    $library->timezone,
                    $month,
                ]),
            )
            ->where('happened_at', '>=', $this->since($library, $now))
            ->orderByDesc('happened_at')
            ->orderByDesc('id')
            ->get(['happened_at', 'reason']);
    }

    private function since(Library $library, DateTimeImmutable $now): string
    {
        return $this->starts($library, $now)[0];
    }

    /** @return list<string> when each of the twelve months begins at the library, and when the last one ends */
    private function starts(Library $library, DateTimeImmutable $now): array
    {
        $first = new DateTimeImmutable($this->months($library, $now)[0] . '-01', $library->zone());

        return array_map(fn(int $n): string => Sql::second($first->modify("+{$n} months")), range(0, self::MONTHS));
    }

    /** @param  list<string>  $moments */
    private static function moments(array $moments): string
    {
        return '{"' . implode('","', $moments) . '"}';
    }
}
