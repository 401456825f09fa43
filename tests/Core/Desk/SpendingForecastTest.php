<?php

declare(strict_types=1);

namespace Tests\Core\Desk;

use FigPorch\Core\Desk\SpendingForecast;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class SpendingForecastTest extends TestCase
{
    public function test_what_is_expected_is_what_was_spent_and_the_rate_of_late(): void
    {
        // 28 loans of 200 in 28 days: 200 a day.
        $forecast = SpendingForecast::of(1_000, 5_000, array_fill(0, 28, 200), 28, 10);
        $this->assertSame(3_000, $forecast->expected());
        $this->assertNull($forecast->usedUpIn());
        $this->assertSame(10.0, SpendingForecast::of(1_000, 3_000, array_fill(0, 28, 200), 28, 10.5)->usedUpIn());
        $this->assertSame(0.0, SpendingForecast::of(3_000, 3_000, [], 28, 10)->usedUpIn());
        $this->assertSame([700, 700], SpendingForecast::of(700, 900, [], 28, 10)->range());
        $this->assertSame([700, 700], SpendingForecast::of(700, 900, [100], 28, 0)->range());
    }

    /** @return array<string, array{float, list<int>, float, float}> loans a day, prices, days measured, days left */
    public static function months(): array
    {
        return [
            'many, one price' => [12.0, [150], 28, 15],
            'few, one price' => [1.0, [150], 28, 15],
            'prices that differ' => [4.0, [50, 100, 150, 900], 28, 20],
            'measured for a week' => [4.0, [100, 250], 7, 23],
        ];
    }

    /**
     * Months played out loan by loan, with gaps between loans drawn one after the other (exponential), as the forecast
     * does not reckon: 8 in 10 of them end within the range.
     *
     * @param  list<int>  $prices
     */
    #[DataProvider('months')]
    public function test_the_range_holds_eight_times_in_ten(
        float $rate,
        array $prices,
        float $measured,
        float $left,
    ): void {
        $random = new Randomizer(new Mt19937(28));
        $play = function (float $days) use ($random, $rate, $prices): array {
            $paid = [];
            for ($at = 0.0; ; ) {
                $at -= log(1 - $random->getInt(0, 2 ** 31 - 1) / 2 ** 31) / $rate;
                if ($at > $days) {
                    return $paid;
                }
                $paid[] = $prices[$random->getInt(0, count($prices) - 1)];
            }
        };
        $held = 0;
        for ($n = 0; $n < 3_000; $n++) {
            [$from, $to] = SpendingForecast::of(0, 0, $play($measured), $measured, $left)->range();
            $spent = array_sum($play($left));
            $held += $from <= $spent && $spent <= $to ? 1 : 0;
        }
        $this->assertEqualsWithDelta(0.8, $held / 3_000, 0.035);
    }
}
