<?php

declare(strict_types=1);

namespace App\Lending\Waits;

use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\Forecast\EarlyReturns;
use FigPorch\Core\Lending\Forecast\GivingUp;
use FigPorch\Core\Lending\Forecast\Habits;
use FigPorch\Core\Lending\Forecast\LengthHabit;
use FigPorch\Core\Lending\Forecast\Quantiles;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * A library's habits of lending, as last measured, drawn toward those of all libraries where they rest on few cases.
 */
final class LibraryHabits
{
    /**
     * @var array<int, array<string, string>> as JSON, by library (0 for all together) and format, read once a request
     */
    private array $read = [];

    /** @var array<string, Habits> by library and format */
    private array $smoothed = [];

    public function library(int $libraryId, Format $format): Habits
    {
        return $this->smoothed["{$libraryId} {$format->value}"] ??= $this->smoothed($libraryId, $format);
    }

    /** @return array{loans: int, holds: int} of the library's own, that its habits of a format are measured from */
    public function cases(int $libraryId, Format $format): array
    {
        $habits = $this->library($libraryId, $format);

        return [
            'loans' => array_sum(array_map(fn(LengthHabit $of): int => $of->measured, $habits->lengths)),
            'holds' => $habits->holdsMeasured,
        ];
    }

    private function smoothed(int $libraryId, Format $format): Habits
    {
        if (!isset($this->read[$libraryId])) {
            $this->read += [0 => [], $libraryId => []];
            foreach (
                DB::select(
                    'select library_id, format, habits from lending_habits where library_id = ? or library_id is null',
                    [$libraryId],
                )
                as $row
            ) {
                $this->read[(int) $row->library_id][$row->format] = $row->habits;
            }
        }
        $own = $this->measured($libraryId, $format);
        $all = $this->measured(0, $format)?->smoothedToward(Habits::unmeasured()) ?? Habits::unmeasured();

        return $own === null ? $all : $own->smoothedToward($all);
    }

    private function measured(int $libraryId, Format $format): ?Habits
    {
        $json = $this->read[$libraryId][$format->value] ?? null;

        return $json === null ? null : self::fromJson(json_decode($json));
    }

    private static function fromJson(stdClass $json): Habits
    {
        $unmeasured = Habits::unmeasured();
        $lengths = (array) ($json->lengths ?? []);
        $total = array_sum(array_map(fn(stdClass $l): int => $l->n, $lengths));

        return new Habits(
            lengths: $lengths === []
                ? $unmeasured->lengths
                : array_map(
                    fn(stdClass $l): LengthHabit => new LengthHabit($l->n / $total, new Quantiles($l->kept), $l->n),
                    $lengths,
                ),
            pickUp: isset($json->holds->picked) ? new Quantiles($json->holds->picked) : $unmeasured->pickUp,
            missed: $json->holds->missed ?? $unmeasured->missed,
            givingUp: self::givingUp((array) ($json->holds->gave_up ?? [])),
            early: isset($json->early)
                ? EarlyReturns::measured(
                    $json->early->titles,
                    $json->early->loans,
                    $json->early->squares,
                    $json->early->early,
                    $json->early->early_squares,
                )
                : $unmeasured->early,
            holdsMeasured: $json->holds->n ?? 0,
        );
    }

    /** @param  array<int|string, array{int, float}>  $ages  cancelled, and days waited */
    private static function givingUp(array $ages): GivingUp
    {
        $cancelled = $days = [];
        foreach (GivingUp::FROM as $n => $_) {
            $cancelled[] = (float) ($ages[$n][0] ?? 0);
            $days[] = (float) ($ages[$n][1] ?? 0);
        }

        return new GivingUp($cancelled, $days);
    }
}
