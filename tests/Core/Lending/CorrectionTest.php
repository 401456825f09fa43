<?php

declare(strict_types=1);

namespace Tests\Core\Lending;

use DateTimeImmutable;
use DateTimeZone;
use FigPorch\Core\Lending\Forecast\Correction;
use FigPorch\Core\Lending\Forecast\WaitEstimate;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class CorrectionTest extends TestCase
{
    private const DAY = 86400;

    /** @return array{from: int, middle: int, to: int, until: int, came: bool} of days */
    private static function told(float $from, float $middle, float $to, float $until, bool $came = true): array
    {
        $at = fn(float $day): int => (int) round($day * self::DAY);

        return [
            'from' => $at($from),
            'middle' => $at($middle),
            'to' => $at($to),
            'until' => $at($until),
            'came' => $came,
        ];
    }

    /** Evenly between 0 and 1. */
    private static function share(Randomizer $random): float
    {
        return ($random->getInt(0, 2 ** 31 - 1) + 0.5) / 2 ** 31;
    }

    /**
     * Ranges that are far too narrow, far too wide, or about days that are too early, hold about 8 times in 10 when
     * they are corrected, and their middles are in the middle.
     */
    public function test_ranges_that_did_not_hold_do_so_after(): void
    {
        $random = new Randomizer(new Mt19937(80));
        $now = new DateTimeImmutable('@0');
        $at = fn(float $days): DateTimeImmutable => $now->setTimestamp((int) round($days * self::DAY));
        foreach ([[0.3, 0], [0.6, 0], [1.0, 0], [1.4, 0], [1.0, -4], [0.8, 9]] as [$width, $off]) {
            // The truth is even over a hundred days, from the hundredth on.
            $range = [110 + $off - 40 * ($width - 1), 150 + $off, 190 + $off + 40 * ($width - 1)];
            $came = fn(): float => 100 + 100 * self::share($random);
            $correction = Correction::measured(
                array_map(fn(): array => self::told(...[...$range, $came()]), range(1, Correction::LAST)),
            );
            $shown = $correction->applied(
                new WaitEstimate($at($range[0]), $at($range[1]), $at($range[2] - 1), null),
                $now,
                new DateTimeZone('UTC'),
            );
            $held = $early = 0;
            for ($n = 0; $n < 4000; $n++) {
                $then = $at($came());
                $held += $then >= $shown->from && $then <= $shown->to ? 1 : 0;
                $early += $then < $shown->middle ? 1 : 0;
            }
            // A little of what lacks is left out for caution with 300 cases.
            $this->assertEqualsWithDelta(0.8, $held / 4000, 0.08, "{$width} of what it should be, {$off} days off");
            // What chance may do is left as it is.
            $this->assertEqualsWithDelta(0.5, $early / 4000, 0.1, "{$width} of what it should be, {$off} days off");
        }
    }

    /**
     * The same when only the shortest waits are over, as in a library's first months: those who still wait, and those
     * who gave up, say that the others are longer. Worked through by hand for five.
     */
    public function test_who_still_waits_is_not_forgotten(): void
    {
        $random = new Randomizer(new Mt19937(81));
        $cases = [];
        for ($n = 0; $n < 3000; $n++) {
            $came = 100 + 100 * self::share($random);
            $seen = 220 * self::share($random);
            $cases[] = self::told(110, 150, 190, min($came, $seen), $came <= $seen);
        }
        $of = Correction::measured($cases);
        $this->assertEqualsWithDelta(0.0, $of->shift, 0.06);
        $this->assertEqualsWithDelta(0.0, $of->widen, 0.06);
        $over = array_values(array_filter($cases, fn(array $case): bool => $case['came']));
        $this->assertLessThan(-0.05, Correction::measured($over)->shift, 'with those alone all would seem late');

        // Ranges of ten days, with a hundred of each: they came on day 7; waited until 7.5, 8 and 8.5; came on 9. Of 5
        // the first is 1/5, and what is left is all with the last: 0.5 less what chance does is reached there.
        $five = [[7, true], [7.5, false], [8, false], [8.5, false], [9, true]];
        $correction = Correction::measured(
            array_merge(...array_fill(0, 100, array_map(fn(array $of): array => self::told(0, 5, 10, ...$of), $five))),
        );
        $this->assertEqualsWithDelta((0.4 * 200) / 230, $correction->shift, 1e-9);

        // Who waited until 7 was still there when others came on 7: those are a third of all, not half of the rest.
        $three = [[7, false], [7, true], [9, true]];
        $correction = Correction::measured(
            array_merge(...array_fill(0, 100, array_map(fn(array $of): array => self::told(0, 5, 10, ...$of), $three))),
        );
        $this->assertEqualsWithDelta((0.4 * 200) / 230, $correction->shift, 1e-9);
    }

    public function test_few_cases_change_little_and_none_nothing(): void
    {
        $this->assertEquals(new Correction(), Correction::measured([]));
        $this->assertEquals(new Correction(), Correction::measured([self::told(0, 1, 2, 90, false)]));
        $far = self::told(0, 0.5, 1, 10);
        $few = Correction::measured([$far, $far, $far]);
        $this->assertSame(0.0, $few->shift, 'three of one line may all be late by chance');
        $this->assertLessThan(0.15, $few->widen);
        $many = Correction::measured(array_fill(0, 300, $far));
        $this->assertEqualsWithDelta([300 / 330, (1.5 * 300) / 330], [$many->shift, $many->widen], 1e-9);
        // Of a range that what is promised cut off, a day is the least that is reckoned with.
        $cut = Correction::measured(array_fill(0, 300, self::told(0, 0.1, 0.1, 0.5)));
        $this->assertEqualsWithDelta((0.4 * 300) / 330, $cut->shift, 1e-9);
        $held = Correction::measured(array_fill(0, 300, self::told(0, 0.5, 1, 0.5)));
        $this->assertEqualsWithDelta([0.0, (-0.25 * 300) / 330], [$held->shift, $held->widen], 1e-9);
    }

    public function test_a_corrected_range_is_never_past_nor_after_what_is_promised(): void
    {
        $zone = new DateTimeZone('Europe/Lisbon');
        $now = new DateTimeImmutable('2026-05-01 09:30', $zone);
        $begin = fn(int $days): DateTimeImmutable => $now->setTime(0, 0)->modify("+{$days} days");
        $end = fn(int $days): DateTimeImmutable => $begin($days)->setTime(23, 59, 59);
        $noon = fn(int $days): DateTimeImmutable => $begin($days)->setTime(12, 0);
        $shown = (new Correction(0.0, 0.5))->applied(
            new WaitEstimate($begin(1), $noon(4), $end(10), $noon(12)),
            $now,
            $zone,
        );
        $this->assertEquals([$now, $noon(4), $noon(12)], [$shown->from, $shown->middle, $shown->to]);
        $narrow = (new Correction(0.0, -0.25))->applied(
            new WaitEstimate($begin(1), $noon(2), $end(12), null),
            $now,
            $zone,
        );
        $this->assertEquals([$begin(2), $noon(2), $end(9)], [$narrow->from, $narrow->middle, $narrow->to]);
        // What is narrowed still has its middle, and 19 in 20 are not before it.
        $skew = (new Correction(0.0, -0.25))->applied(
            new WaitEstimate(
                from: $begin(1),
                middle: $noon(10),
                to: $end(10),
                latest: null,
                never: 0.0,
                surely: $end(10),
            ),
            $now,
            $zone,
        );
        $this->assertEquals([$noon(10), $end(10), $end(10)], [$skew->middle, $skew->to, $skew->surely]);
        $same = new WaitEstimate($begin(1), $noon(4), $end(10), null);
        $this->assertSame($same, (new Correction())->applied($same, $now, $zone));
        // Moved: ten days by three, its middle with it.
        $later = (new Correction(0.3, 0.0))->applied(
            new WaitEstimate($begin(1), $noon(4), $end(10), null),
            $now,
            $zone,
        );
        $this->assertEquals([$begin(4), $noon(7), $end(13)], [$later->from, $later->middle, $later->to]);
        $earlier = (new Correction(-0.8, 0.0))->applied(
            new WaitEstimate($begin(1), $noon(4), $end(10), null),
            $now,
            $zone,
        );
        $this->assertEquals([$now, $now, $end(2)], [$earlier->from, $earlier->middle, $earlier->to]);
        // 19 in 20 go with the range, and say something only where what is promised is far away.
        $sure = fn(?int $latest): WaitEstimate => (new Correction(0.0, 0.1))->applied(
            new WaitEstimate(
                from: $begin(1),
                middle: $noon(4),
                to: $end(10),
                latest: $latest === null ? null : $noon($latest),
                never: 0.0,
                surely: $end(13),
            ),
            $now,
            $zone,
        );
        $this->assertEquals($end(14), $sure(60)->surely);
        $this->assertEquals($noon(13), $sure(13)->surely);
        $this->assertSame(
            [true, true, false, false],
            [
                $sure(null)->tellsSurely($now),
                $sure(60)->tellsSurely($now),
                $sure(20)->tellsSurely($now),
                $sure(60)->tellsSurely($begin(30)),
            ],
        );
        $never = new WaitEstimate(null, null, null, null, 1.0);
        $this->assertSame($never, (new Correction(0.1, 0.5))->applied($never, $now, $zone));
    }
}
