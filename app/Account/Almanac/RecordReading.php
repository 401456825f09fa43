<?php

declare(strict_types=1);

namespace App\Account\Almanac;

use App\Models\Person;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Account\ReadingReport;
use Illuminate\Support\Facades\DB;

/**
 * Writes into a person's Almanac what a device tells of reading, if they keep a history and have not left the title
 * out. What is told twice, since an answer was lost, is written once.
 */
final class RecordReading
{
    /** So far from the end of the one before, it is the same sitting. */
    private const SITTING = '2 seconds';

    /** A title of which this much was reached counts as finished: what comes after is often not read. */
    private const FINISHED_FROM = 0.98;

    /** @param  list<ReadingReport>  $reports */
    public function __invoke(Person $person, int $titleId, array $reports, float $reached, DateTimeImmutable $now): void
    {
        if (!$person->keeps_history) {
            return;
        }
        DB::transaction(function () use ($person, $titleId, $reports, $reached, $now): void {
            // The row of the title is the lock for what follows.
            $title = DB::selectOne(
                'insert into almanac_titles (person_id, title_id, begun_at, last_at, finished_at)
                    select id, ?, ?, ?, case when ? then ?::timestamptz end from people where id = ? and keeps_history
                    on conflict (person_id, title_id) do update set last_at = excluded.last_at,
                    finished_at = coalesce(almanac_titles.finished_at, excluded.finished_at)
                    where not almanac_titles.left_out returning title_id',
                [
                    $titleId,
                    Sql::second($reports[0]->begins ?? $now),
                    Sql::second($now),
                    $reached >= self::FINISHED_FROM,
                    Sql::second($now),
                    $person->id,
                ],
            );
            if ($title !== null) {
                foreach ($reports as $report) {
                    $this->write($person->id, $titleId, $report);
                }
            }
        });
    }

    private function write(int $personId, int $titleId, ReadingReport $report): void
    {
        [$begins, $ends] = [Sql::timestamp($report->begins), Sql::timestamp($report->ends)];
        $known = DB::selectOne(
            'select ends >= ?::timestamptz(3) as has_all, ctid from readings where person_id = ? and title_id = ?
                and begins <= ?::timestamptz(3) and ends >= ?::timestamptz(3) - ?::interval order by ends desc limit 1',
            [$ends, $personId, $titleId, $begins, $begins, self::SITTING],
        );
        match (true) {
            $known === null => DB::insert(
                'insert into readings (person_id, title_id, begins, ends, seconds, pages) values (?, ?, ?, ?, ?, ?)',
                [$personId, $titleId, $begins, $ends, $report->seconds, $report->pages],
            ),
            $known->has_all => null,
            // It goes on; of what overlaps, the share that is new.
            default => DB::update(
                'update readings set ends = :ends, pages = pages + :pages, seconds = seconds + round(:seconds::numeric
                    * extract(epoch from :ends2::timestamptz - greatest(ends, :begins::timestamptz))
                    / extract(epoch from :ends3::timestamptz - :begins2::timestamptz)) where ctid = :row::tid',
                [
                    'ends' => $ends,
                    'ends2' => $ends,
                    'ends3' => $ends,
                    'begins' => $begins,
                    'begins2' => $begins,
                    'pages' => $report->pages,
                    'seconds' => $report->seconds,
                    'row' => $known->ctid,
                ],
            ),
        };
    }
}
