<?php

declare(strict_types=1);

namespace App\Lending\Waits;

use App\Models\Library;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Lending\Forecast\Correction;
use Illuminate\Support\Facades\DB;
use stdClass;

/** How often likely ranges held, and what is made of it. */
final class ForecastScores
{
    /** Said to patrons from so many on. */
    private const SAID_FROM = 100;

    /** Ranges that were told longer ago say nothing of today's. */
    private const DAYS = 730;

    /** @var array<int, array<string, Correction>> by library and cell, read once a request */
    private array $corrections = [];

    /** What is made of how ranges held of lines so long. */
    public function correction(int $libraryId, int $ahead): Correction
    {
        $this->corrections[$libraryId] ??= DB::table('forecast_corrections')
            ->where('library_id', $libraryId)
            ->get()
            ->mapWithKeys(
                fn(stdClass $row): array => [$row->cell => new Correction((float) $row->shift, (float) $row->widen)],
            )
            ->all();

        return $this->corrections[$libraryId][Correction::cell($ahead)] ?? new Correction();
    }

    /** Each night, from the last ranges that were told. */
    public function measure(DateTimeImmutable $now): void
    {
        foreach (Library::query()->pluck('id') as $library) {
            foreach (Correction::cells() as $cell) {
                $cases = $this->cases((int) $library, $cell, $now);
                $correction = Correction::measured($cases);
                DB::table('forecast_corrections')->upsert(
                    [
                        'library_id' => $library,
                        'cell' => $cell,
                        'shift' => $correction->shift,
                        'widen' => $correction->widen,
                        'cases' => count(array_filter(array_column($cases, 'came'))),
                        'measured_at' => $now,
                    ],
                    ['library_id', 'cell'],
                );
            }
        }
    }

    /**
     * The last that were told: so many that came, with those told since that have not come.
     *
     * @return list<array{from: int, middle: int, to: int, until: int, came: bool}>
     */
    private function cases(int $libraryId, string $cell, DateTimeImmutable $now): array
    {
        $rows = DB::select(
            'select extract(epoch from drawn_from)::bigint told_from, extract(epoch from drawn_middle)::bigint middle,
                extract(epoch from drawn_to)::bigint told_to, came_at is not null came,
                extract(epoch from coalesce(came_at, left_at, ?))::bigint waited_until from (
                    select *, count(came_at) over (order by asked_at desc, id desc) nth from forecast_scores
                        where library_id = ? and asked_at > ? and ahead between ? and ?
                ) told where nth <= ' . Correction::LAST,
            [
                Sql::second($now),
                $libraryId,
                Sql::second($now->modify('-' . self::DAYS . ' days')),
                ...self::span($cell),
            ],
        );

        return array_values(
            array_map(
                fn(stdClass $row): array => [
                    'from' => (int) $row->told_from,
                    'middle' => (int) $row->middle,
                    'to' => (int) $row->told_to,
                    'until' => (int) $row->waited_until,
                    'came' => (bool) $row->came,
                ],
                $rows,
            ),
        );
    }

    /** @return int|null of the last hundred ranges of a library, how many held; null with fewer */
    public function lastHundred(int $libraryId): ?int
    {
        $row = DB::selectOne(
            'select count(*) n, count(*) filter (where came_at between from_at and to_at) held from (
                select * from forecast_scores where library_id = ? and came_at is not null
                order by came_at desc limit ' .
                self::SAID_FROM .
                ') x',
            [$libraryId],
        );

        return $row->n < self::SAID_FROM ? null : (int) $row->held;
    }

    /**
     * @return array<string, array{cases: int, by: array{int, int, int}}> by length of line, of those that came between
     *     two moments: how many came before the first of the two dates, before the middle, and by the last: about 10,
     *     50 and 90 of a hundred are meant
     */
    public function calibration(int $libraryId, DateTimeImmutable $from, DateTimeImmutable $to): array
    {
        $found = [];
        foreach (Correction::cells() as $cell) {
            $row = DB::selectOne(
                'select count(*) cases, count(*) filter (where came_at < from_at) first,
                    count(*) filter (where came_at < middle_at) middle, count(*) filter (where came_at <= to_at) last
                    from forecast_scores
                    where library_id = ? and came_at >= ? and came_at < ? and ahead between ? and ?',
                [$libraryId, Sql::second($from), Sql::second($to), ...self::span($cell)],
            );
            $found[$cell] = [
                'cases' => (int) $row->cases,
                'by' => [(int) $row->first, (int) $row->middle, (int) $row->last],
            ];
        }

        return $found;
    }

    /** @return array<string, array{cases: int, held: int}> by format */
    public function byFormat(int $libraryId, DateTimeImmutable $from, DateTimeImmutable $to): array
    {
        $rows = DB::select(
            'select format, count(*)::int cases, count(*) filter (where came_at between from_at and to_at)::int held
                from forecast_scores where library_id = ? and came_at >= ? and came_at < ? group by format',
            [$libraryId, Sql::second($from), Sql::second($to)],
        );

        return array_map(
            fn(stdClass $row): array => ['cases' => $row->cases, 'held' => $row->held],
            array_column($rows, null, 'format'),
        );
    }

    /**
     * @return array<string, array{cases: int, held: int, early: int}> by length of line, of those that came between two
     *     moments
     */
    public function byLine(int $libraryId, DateTimeImmutable $from, DateTimeImmutable $to): array
    {
        $found = [];
        foreach (Correction::cells() as $cell) {
            $row = DB::selectOne(
                'select count(*) cases, count(*) filter (where came_at between from_at and to_at) held,
                    count(*) filter (where came_at < middle_at) early from forecast_scores
                    where library_id = ? and came_at >= ? and came_at < ? and ahead between ? and ?',
                [$libraryId, Sql::second($from), Sql::second($to), ...self::span($cell)],
            );
            $found[$cell] = ['cases' => (int) $row->cases, 'held' => (int) $row->held, 'early' => (int) $row->early];
        }

        return $found;
    }

    /** @return array{int, int} the fewest and the most ahead */
    private static function span(string $cell): array
    {
        [$least, $most] = explode('-', $cell) + [1 => '2000000000'];

        return [(int) $least, (int) $most];
    }
}
