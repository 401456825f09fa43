<?php

declare(strict_types=1);

namespace App\Lending\Waits;

use App\Shared\Sql;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/**
 * Measures, from loans and holds that are over, how each library's patrons use them; for the forecast. Run every night.
 */
final class MeasureHabits
{
    private const DAYS = 730;

    private const STEPS = 'array(select s / 20.0 from generate_series(0, 20) s)';

    public function __invoke(DateTimeImmutable $now): void
    {
        $since = Sql::second($now->modify('-' . self::DAYS . ' days'));
        $at = Sql::second($now);
        $steps = self::STEPS;
        $loans = DB::select(
            "select li.library_id, t.format, l.length, count(*) n,
                percentile_cont({$steps}) within group (order by least(1, extract(epoch
                    from l.ended_at - l.started_at) / extract(epoch from l.due_at - l.started_at))) kept
                from loans l join licences li on li.id = l.licence_id join titles t on t.id = l.title_id
                where l.ended_at >= ? group by grouping sets ((li.library_id, t.format, l.length), (t.format,
                    l.length))",
            [$since],
        );
        $holds = DB::select(
            "select h.library_id, t.format, count(*) filter (where h.ready_at is not null) ready, count(*)
                filter (where h.misses > 0 or h.state = 'lapsed') missed,
                count(*) filter (where h.state = 'cancelled' and h.ready_at is null) cancelled,
                sum(extract(epoch from coalesce(h.ready_at, h.closed_at, ?::timestamptz) - h.placed_at)) / 86400 waited,
                percentile_cont({$steps}) within group (order by least(1, extract(epoch
                    from h.closed_at - h.ready_at) / 259200)) filter (where h.state = 'filled'
                    and h.ready_at is not null) picked
                from holds h join titles t on t.id = h.title_id where h.placed_at >= ?
                    group by grouping sets ((h.library_id, t.format), (t.format))",
            [$at, $since],
        );
        $measured = [];
        foreach ($loans as $row) {
            $measured[(int) $row->library_id][$row->format]['lengths'][$row->length] = [
                'n' => $row->n,
                'kept' => self::floats($row->kept),
            ];
        }
        foreach ($holds as $row) {
            $measured[(int) $row->library_id][$row->format]['holds'] = [
                'n' => $row->ready,
                'missed' => $row->missed / max(1, $row->ready),
                'cancelled' => $row->cancelled / max(1.0, (float) $row->waited),
                'picked' => $row->picked === null ? null : self::floats($row->picked),
            ];
        }
        DB::transaction(function () use ($measured, $at): void {
            DB::table('lending_habits')->delete();
            foreach ($measured as $libraryId => $formats) {
                foreach ($formats as $format => $habits) {
                    DB::table('lending_habits')->insert([
                        'library_id' => $libraryId ?: null,
                        'format' => $format,
                        'habits' => json_encode($habits, JSON_THROW_ON_ERROR),
                        'measured_at' => $at,
                    ]);
                }
            }
        });
    }

    /** @return list<float> of a PostgreSQL array of numbers */
    private static function floats(string $array): array
    {
        return array_map(floatval(...), explode(',', trim($array, '{}')));
    }
}
