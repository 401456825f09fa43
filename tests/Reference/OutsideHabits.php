<?php

declare(strict_types=1);

namespace Tests\Reference;

use FigPorch\Core\Lending\Forecast\EarlyReturns;
use FigPorch\Core\Lending\Forecast\GivingUp;
use FigPorch\Core\Lending\Forecast\Habits;
use FigPorch\Core\Lending\Forecast\LengthHabit;
use FigPorch\Core\Lending\Forecast\Quantiles;
use FigPorch\Core\Lending\Forecast\TitleUse;

/** What would be measured of an outside library on a day, by the forecast's own definitions. */
final class OutsideHabits
{
    /** Days back. */
    private const WINDOW = 730.0;

    /** How long loans are kept, from the last so many and all of so many days. */
    private const LAST_LOANS = 500;

    private const LATELY = 30.0;

    /** @var array<int, list<array{length: int, start: float, due: float, end: float, title: int}>> */
    private array $byTitle = [];

    public function __construct(private readonly OutsideLibrary $library)
    {
        foreach ($library->loans() as $loan) {
            $this->byTitle[$loan['title']][] = $loan;
        }
    }

    public function on(float $on): Habits
    {
        $kept = $pickUp = [];
        $since = $on - self::WINDOW;
        $over = array_filter($this->library->loans(), fn(array $l): bool => $l['due'] < $on && $l['due'] >= $since);
        usort($over, fn(array $a, array $b): int => $b['due'] <=> $a['due']);
        foreach ($over as $n => $loan) {
            if ($n < self::LAST_LOANS || $loan['due'] >= $on - self::LATELY) {
                $kept["{$loan['length']}d"][] = ($loan['end'] - $loan['start']) / $loan['length'];
            }
        }
        $cancelled = $days = array_fill(0, count(GivingUp::FROM), 0.0);
        $ready = $missed = 0;
        foreach ($this->library->holds() as $hold) {
            if ($hold['placed'] >= $on || $hold['placed'] < $since) {
                continue;
            }
            $ends = min($on, $hold['ready'] ?? ($hold['left'] ?? INF));
            $gaveUp = $hold['ready'] === null && $hold['left'] !== null && $hold['left'] < $on;
            foreach (GivingUp::FROM as $n => $from) {
                $until = GivingUp::FROM[$n + 1] ?? INF;
                $age = $ends - $hold['placed'];
                $days[$n] += max(0.0, min($age, $until) - $from);
                $cancelled[$n] += $gaveUp && $age >= $from && $age < $until ? 1 : 0;
            }
            if ($hold['ready'] !== null && $hold['ready'] < $on) {
                $ready++;
                $missed += $hold['missed'] ? 1 : 0;
                if ($hold['taken'] !== null && $hold['taken'] < $on) {
                    $pickUp[] = min(1.0, ($hold['taken'] - $hold['ready']) / ($this->library->keptHours / 24));
                }
            }
        }
        $all = array_sum(array_map(count(...), $kept));
        $lengths = array_map(
            fn(array $shares): LengthHabit => new LengthHabit(
                count($shares) / $all,
                self::quantiles($shares),
                count($shares),
            ),
            $kept,
        );
        $uses = array_filter(
            array_map(fn(int $title): TitleUse => $this->use($title, $on), array_keys($this->byTitle)),
            fn(TitleUse $use): bool => $use->loans > 0,
        );
        $early = array_sum(array_map(fn(TitleUse $use): int => $use->early, $uses));

        return (new Habits(
            lengths: $lengths === [] ? Habits::unmeasured()->lengths : $lengths,
            pickUp: $pickUp === [] ? Habits::unmeasured()->pickUp : self::quantiles($pickUp),
            missed: $missed / max(1, $ready),
            givingUp: new GivingUp($cancelled, $days),
            early: EarlyReturns::measured(
                count($uses),
                array_sum(array_map(fn(TitleUse $use): int => $use->loans, $uses)),
                array_sum(array_map(fn(TitleUse $use): float => $use->loans ** 2, $uses)),
                $early,
                array_sum(array_map(fn(TitleUse $use): float => $use->early ** 2 / $use->loans, $uses)),
            ),
            holdsMeasured: $ready,
        ))->smoothedToward(Habits::unmeasured());
    }

    public function use(int $title, float $on): TitleUse
    {
        $of = array_filter(
            $this->byTitle[$title] ?? [],
            fn(array $l): bool => $l['due'] < $on && $l['due'] >= $on - self::WINDOW,
        );

        return new TitleUse(
            count(array_filter($of, fn(array $l): bool => ($l['end'] - $l['start']) / $l['length'] < TitleUse::EARLY)),
            count($of),
        );
    }

    /** @param  non-empty-list<float>  $values */
    private static function quantiles(array $values): Quantiles
    {
        sort($values);
        $last = count($values) - 1;

        return new Quantiles(
            array_map(function (int $i) use ($values, $last): float {
                $x = ($i / 20) * $last;
                $n = min($last, (int) $x);

                return $values[$n] + ($x - $n) * (($values[$n + 1] ?? $values[$n]) - $values[$n]);
            }, range(0, 20)),
        );
    }
}
