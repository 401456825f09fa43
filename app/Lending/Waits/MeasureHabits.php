<?php

declare(strict_types=1);

namespace App\Lending\Waits;

use App\Lending\LoanRules\LibraryRules;
use App\Models\Library;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\Forecast\GivingUp;
use FigPorch\Core\Lending\Forecast\TitleUse;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * Measures, from loans and holds that are over, how each library's patrons use them; for the forecast. Run every night.
 * Each question answers for every library and format, and for every format over all libraries. Loans count once they
 * are due: of those that began later only the short ones are over, and for a title that is new they would speak alone.
 */
final class MeasureHabits
{
    /** Days back. */
    public const DAYS = 730;

    /** How long loans are kept, from the last so many of a format and all of so many days: a change is seen soon. */
    public const LOANS = 500;

    public const LATELY = 30;

    private const STEPS = 'array(select s / 20.0 from generate_series(0, 20) s)';

    public function __construct(private readonly LibraryRules $rules) {}

    public function __invoke(DateTimeImmutable $now): void
    {
        $since = Sql::second($now->modify('-' . self::DAYS . ' days'));
        $at = Sql::second($now);
        $measured = [];
        foreach ($this->loans($since, Sql::second($now->modify('-' . self::LATELY . ' days')), $at) as $row) {
            $measured[(int) $row->library_id][$row->format]['lengths'][$row->length] = [
                'n' => $row->n,
                'kept' => self::floats($row->kept),
            ];
        }
        foreach ($this->holds($since) as $row) {
            $measured[(int) $row->library_id][$row->format]['holds'] = [
                'n' => $row->ready,
                'missed' => $row->missed / max(1, $row->ready),
                'picked' => $row->picked === null ? null : self::floats($row->picked),
            ];
        }
        foreach ($this->gaveUp($since, $at) as $row) {
            $measured[(int) $row->library_id][$row->format]['holds']['gave_up'][$row->age] = [
                $row->cancelled,
                (float) $row->days,
            ];
        }
        DB::transaction(function () use ($measured, $since, $at): void {
            $this->measureTitles($since, $at);
            foreach ($this->early() as $row) {
                $measured[(int) $row->library_id][$row->format]['early'] = [
                    'titles' => $row->titles,
                    'loans' => (float) $row->loans,
                    'squares' => (float) $row->squares,
                    'early' => (float) $row->early,
                    'early_squares' => (float) $row->early_squares,
                ];
            }
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

    /** @return list<stdClass> share of its length for which a loan was kept */
    private function loans(string $since, string $lately, string $at): array
    {
        $of = fn(string $library, string $nth): string => "select {$library} library_id, format, length, count(*) n,
                percentile_cont(" .
            self::STEPS .
            ") within group (order by kept) kept from ended
                where {$nth} <= " .
            self::LOANS .
            ' or due_at >= ? group by 1, 2, 3';

        return array_values(
            DB::select(
                "with ended as materialized (
                    select li.library_id, t.format, l.length, l.due_at,
                        least(1, extract(epoch from l.ended_at - l.started_at)
                            / extract(epoch from l.due_at - l.started_at)) kept,
                        row_number() over (partition by li.library_id, t.format order by l.due_at desc) here,
                        row_number() over (partition by t.format order by l.due_at desc) anywhere
                        from loans l join licences li on li.id = l.licence_id join titles t on t.id = l.title_id
                        where l.due_at between ? and ? and l.ended_at is not null
                ) {$of('library_id', 'here')} union all {$of('null::bigint', 'anywhere')}",
                [$since, $at, $lately, $lately],
            ),
        );
    }

    /**
     * @return list<stdClass> what became of ready holds; pick-up as a share of the time for which a copy is kept
     *     there
     */
    private function holds(string $since): array
    {
        $steps = self::STEPS;

        return array_values(
            DB::select(
                "select h.library_id, t.format, count(*) filter (where h.ready_at is not null) ready, count(*)
                    filter (where h.misses > 0 or h.state = 'lapsed') missed,
                    percentile_cont({$steps}) within group (order by least(1, extract(epoch
                        from h.closed_at - h.ready_at) / k.seconds)) filter (where h.state = 'filled'
                        and h.ready_at is not null) picked
                    from holds h join titles t on t.id = h.title_id
                    join jsonb_to_recordset(?) k(library bigint, format text, seconds float)
                        on k.library = h.library_id and k.format = t.format
                    where h.placed_at >= ? group by grouping sets ((h.library_id, t.format), (t.format))",
                [json_encode($this->kept(), JSON_THROW_ON_ERROR), $since],
            ),
        );
    }

    /** @return list<array{library: int, format: string, seconds: int}> for how long a ready copy is kept */
    private function kept(): array
    {
        $kept = [];
        foreach (Library::query()->pluck('id') as $library) {
            foreach (Format::lent() as $format) {
                $kept[] = [
                    'library' => (int) $library,
                    'format' => $format->value,
                    'seconds' => max(1, 3600 * $this->rules->slowest((int) $library, $format)[1]),
                ];
            }
        }

        return $kept;
    }

    /**
     * @return list<stdClass> waiting holds cancelled and days waited, by how long they had waited; those who wait
     *     count
     */
    private function gaveUp(string $since, string $at): array
    {
        return array_values(
            DB::select(
                "with waits as materialized (
                    select h.library_id, t.format, h.state = 'cancelled' and h.ready_at is null gave_up,
                        extract(epoch from coalesce(h.ready_at, h.closed_at, ?::timestamptz) - h.placed_at) / 86400 days
                    from holds h join titles t on t.id = h.title_id where h.placed_at >= ?
                ), ages as (
                    select n - 1 age, from_day, lead(from_day, 1, 'infinity') over (order by n) until
                        from unnest(?::float[]) with ordinality a(from_day, n)
                )
                select w.library_id, w.format, a.age, count(*) filter (where w.gave_up and w.days < a.until) cancelled,
                    sum(least(w.days, a.until) - a.from_day) days
                    from waits w join ages a on w.days >= a.from_day
                    group by grouping sets ((w.library_id, w.format, a.age), (w.format, a.age)) order by a.age",
                [$at, $since, Sql::array(GivingUp::FROM)],
            ),
        );
    }

    private function measureTitles(string $since, string $at): void
    {
        DB::table('title_habits')->delete();
        DB::insert(
            'insert into title_habits (library_id, title_id, early, loans)
                select li.library_id, l.title_id, count(*) filter (where extract(epoch from l.ended_at - l.started_at)
                    < ? * extract(epoch from l.due_at - l.started_at)), count(*)
                from loans l join licences li on li.id = l.licence_id where l.due_at between ? and ?
                    and l.ended_at is not null group by 1, 2',
            [TitleUse::EARLY, $since, $at],
        );
    }

    /** @return list<stdClass> sums over titles, as EarlyReturns takes them */
    private function early(): array
    {
        return array_values(
            DB::select(
                'select h.library_id, t.format, count(*) titles, sum(loans) loans, sum(loans::float ^ 2) squares,
                    sum(early) early, sum(early::float ^ 2 / loans) early_squares
                    from title_habits h join titles t on t.id = h.title_id
                    group by grouping sets ((h.library_id, t.format), (t.format))',
            ),
        );
    }

    /** @return list<float> of a PostgreSQL array of numbers */
    private static function floats(string $array): array
    {
        return array_map(floatval(...), explode(',', trim($array, '{}')));
    }
}
