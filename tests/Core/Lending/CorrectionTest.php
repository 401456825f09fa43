<?php

declare(strict_types=1);

namespace Tests\Core\Lending;

use DateTimeImmutable;
use FigPorch\Core\Lending\Forecast\Correction;
use FigPorch\Core\Lending\Forecast\WaitEstimate;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class CorrectionTest extends TestCase
{
    /**
     * Ranges that are far too narrow, and ones that are far too wide, hold about 8 times in 10 when they are
     * corrected.
     */
    public function test_ranges_that_did_not_hold_do_so_after(): void
    {
        $random = new Randomizer(new Mt19937(80));
        $day = 86400;
        foreach ([0.3, 0.6, 1.0, 1.4] as $width) {
            // The truth is even over twenty days; the range covers a part of it, off its middle.
            $case = fn(): array => [
                (int) ((11 - 8 * $width) * $day),
                (int) ((11 + 8 * $width) * $day),
                $random->getInt(0, 20 * $day),
            ];
            $widen = Correction::measured(array_map(fn(): array => $case(), range(1, Correction::LAST)));
            $held = 0;
            for ($n = 0; $n < 4000; $n++) {
                [$from, $to, $came] = $case();
                $by = $widen * ($to - $from);
                $held += $came >= $from - $by && $came <= $to + $by ? 1 : 0;
            }
            // A sixth of what lacks is left out for caution with 300 cases.
            $this->assertEqualsWithDelta(0.8, $held / 4000, 0.12, "{$width} of what it should be");
        }
    }

    public function test_few_cases_change_little_and_none_nothing(): void
    {
        $this->assertSame(0.0, Correction::measured([]));
        $far = [0, 86400, 10 * 86400];
        $this->assertLessThan(0.1, Correction::measured([$far, $far, $far]));
        $this->assertEqualsWithDelta((1.5 * 300) / 360, Correction::measured(array_fill(0, 300, $far)), 1e-9);
        $this->assertEqualsWithDelta(
            (-0.25 * 300) / 360,
            Correction::measured(array_fill(0, 300, [0, 86400, 43200])),
            1e-9,
        );
    }

    public function test_a_corrected_range_is_never_past_nor_after_what_is_promised(): void
    {
        $now = new DateTimeImmutable('2026-05-01 UTC');
        $at = fn(int $days): DateTimeImmutable => $now->modify("+{$days} days");
        $shown = Correction::applied(new WaitEstimate($at(1), $at(4), $at(11), $at(12)), 0.5, $now);
        $this->assertEquals([$now, $at(4), $at(12)], [$shown->from, $shown->middle, $shown->to]);
        $narrow = Correction::applied(new WaitEstimate($at(1), $at(2), $at(11), null), -0.25, $now);
        $this->assertEquals([$at(2), $at(2)], [$narrow->from, $narrow->middle]);
        $this->assertGreaterThan($narrow->middle, $narrow->to);
        // 19 in 20 go with the range, and say something only where what is promised is far away.
        $sure = fn(?int $latest): WaitEstimate => Correction::applied(
            new WaitEstimate(
                from: $at(1),
                middle: $at(4),
                to: $at(11),
                latest: $latest === null ? null : $at($latest),
                never: 0.0,
                surely: $at(13),
            ),
            0.1,
            $now,
        );
        $this->assertEquals($at(14), $sure(60)->surely);
        $this->assertEquals($at(13), $sure(13)->surely);
        $this->assertSame(
            [true, true, false, false],
            [
                $sure(null)->tellsSurely($now),
                $sure(60)->tellsSurely($now),
                $sure(20)->tellsSurely($now),
                $sure(60)->tellsSurely($at(30)),
            ],
        );
        $never = new WaitEstimate(null, null, null, null, 1.0);
        $this->assertSame($never, Correction::applied($never, 0.5, $now));
    }
}
