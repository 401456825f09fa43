<?php

declare(strict_types=1);

namespace App\Desk\Figures;

use App\Models\Library;
use App\Shared\PageAsked;
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
        $condition = 'ta.library_id = ? and ta.happened_at >= ?';
        $bindings = [$library->id, $this->since($library, $now)];
        if ($reason !== null) {
            $condition .= ' and ta.reason = ?';
            $bindings[] = $reason;
        }
        if ($month !== null) {
            $condition .= " and to_char(ta.happened_at at time zone ?, 'YYYY-MM') = ?";
            array_push($bindings, $library->timezone, $month);
        }
        $total = DB::scalar("select count(distinct title_id) from turnaways ta where {$condition}", $bindings);
        $page = PageAsked::of($total, $perPage);
        $rows = DB::select(
            "select t.id, t.name, t.format, sum(m.n)::int total, json_object_agg(m.month, m.n) months from
                (select title_id, to_char(happened_at at time zone ?, 'YYYY-MM') as month, count(*) n
                    from turnaways ta where {$condition} group by 1, 2) m
                join titles t on t.id = m.title_id group by t.id order by total desc, t.id limit ? offset ?",
            [$library->timezone, ...$bindings, $perPage, ($page - 1) * $perPage],
        );
        foreach ($rows as $row) {
            $row->months = json_decode($row->months, true);
        }

        return new LengthAwarePaginator($rows, $total, $perPage, $page, ['path' => Paginator::resolveCurrentPath()]);
    }

    /** @return array<string, int> "2026-11" => count, of all titles or one */
    public function byMonth(Library $library, DateTimeImmutable $now, ?int $titleId = null): array
    {
        $rows = DB::select(
            "select to_char(happened_at at time zone ?, 'YYYY-MM') as month, count(*) n from turnaways
                where library_id = ? and happened_at >= ? and (?::bigint is null or title_id = ?) group by 1",
            [$library->timezone, $library->id, $this->since($library, $now), $titleId, $titleId],
        );

        return array_map(intval(...), array_column($rows, 'n', 'month')) +
            array_fill_keys($this->months($library, $now), 0);
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
        return (new DateTimeImmutable($this->months($library, $now)[0] . '-01', $library->zone()))->format(
            'Y-m-d H:i:sP',
        );
    }
}
