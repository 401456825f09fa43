<?php

declare(strict_types=1);

namespace Tests\Core\Catalogue;

use FigPorch\Core\Catalogue\TitleSet;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use ValueError;

final class TitleSetTest extends TestCase
{
    /** The same as PHP's own functions on arrays, over sets of all sizes. */
    #[Test]
    public function it_does_what_sets_do(): void
    {
        $random = new Randomizer(new Mt19937(7));
        for ($round = 0; $round < 200; $round++) {
            [$a, $b] = [self::some($random), self::some($random)];
            [$setA, $setB] = [TitleSet::of($random->shuffleArray($a)), TitleSet::of($b)];
            self::assertSame($a, $setA->numbers());
            self::assertCount($setA->count(), $a);
            self::assertSame($a === [], $setA->isEmpty());
            self::assertSame(max([0, ...$a]), $setA->highest());
            self::assertSame(array_values(array_intersect($a, $b)), $setA->and($setB)->numbers());
            self::assertSame(count(array_intersect($a, $b)), $setA->countWith($setB));
            self::assertSame(array_values(array_diff($a, $b)), $setA->without($setB)->numbers());
            $either = array_unique([...$a, ...$b]);
            sort($either);
            self::assertSame($either, $setA->or($setB)->numbers());
            self::assertSame($a, TitleSet::fromBytes($setA->bytes())->numbers());
            self::assertSame(count(array_intersect($a, $b)), $setA->forCounting()->countWith($setB));
            self::assertSame($setA->and($setB)->numbers(), $setA->forCounting()->and($setB)->numbers());
            $one = $random->getInt(0, 700);
            self::assertSame(in_array($one, $a, true), $setA->has($one));
            if ($setA->highest() < 100_000) {
                $bits = implode(
                    '',
                    array_map(fn(string $of): string => strrev(sprintf('%08b', ord($of))), str_split($setA->bits())),
                );
                self::assertSame($a, array_keys(array_filter(str_split($bits))));
            }
        }
    }

    /** Half of a hundred thousand in a row are kept otherwise than a few. */
    #[Test]
    public function large_sets_do_the_same(): void
    {
        [$even, $third] = [range(0, 100_000, 2), range(0, 100_000, 3)];
        [$a, $b] = [TitleSet::of($even), TitleSet::of($third)];
        self::assertSame(range(0, 100_000, 6), $a->and($b)->numbers());
        self::assertSame(16_667, $a->countWith($b));
        self::assertSame(16_667, $a->forCounting()->countWith($b));
        self::assertSame(16_667, $b->forCounting()->countWith($a));
        foreach ([[$a, $b], [$b, $a], [$a, $a]] as [$one, $other]) {
            self::assertSame($one->and($other)->numbers(), $one->forCounting()->and($other)->numbers());
        }
        self::assertSame(array_values(array_diff($even, $third)), $a->without($b)->numbers());
        self::assertSame(50_001 + 33_334 - 16_667, $a->or($b)->count());
        self::assertSame($even, TitleSet::fromBytes($a->bytes())->numbers());
    }

    /** @return list<int> */
    private static function some(Randomizer $random): array
    {
        [$most, $share, $step] = [
            $random->getInt(0, 600),
            $random->getInt(0, 9),
            [1, 1, 17, 4000, 1_000_003][$random->getInt(0, 4)],
        ];

        return array_values(array_filter(range(0, $most * $step, $step), fn(): bool => $random->getInt(0, 9) < $share));
    }

    /**
     * Written out by hand from the RoaringFormatSpec (github.com/RoaringBitmap/RoaringFormatSpec, values from memory):
     * the cookie 12346, one container, its key 0 and how many it has less one, where it begins, and its numbers of two
     * bytes each.
     */
    #[Test]
    public function its_bytes_are_those_of_the_published_format(): void
    {
        $bytes = pack('VVvvVvvv', 12346, 1, 0, 2, 16, 0, 9, 23);
        self::assertSame(bin2hex($bytes), bin2hex(TitleSet::of([9, 0, 23])->bytes()));
        self::assertSame([0, 9, 23], TitleSet::fromBytes($bytes)->numbers());
    }

    #[Test]
    public function bytes_that_are_no_set_are_refused(): void
    {
        foreach (['', 'no set', pack('VVvvVv', 12346, 1, 0, 2, 16, 0)] as $bytes) {
            try {
                TitleSet::fromBytes($bytes);
                self::fail('It should have been refused.');
            } catch (ValueError $error) {
                self::assertStringContainsString('no set of titles', $error->getMessage());
            }
        }
    }

    #[Test]
    public function a_title_has_no_negative_number(): void
    {
        $this->expectException(ValueError::class);
        TitleSet::of([3, -1]);
    }

    #[Test]
    public function none_is_nothing(): void
    {
        self::assertSame([], TitleSet::none()->numbers());
        self::assertTrue(TitleSet::none()->isEmpty());
        self::assertSame(0, TitleSet::none()->forCounting()->countWith(TitleSet::of([3])));
        self::assertSame([], TitleSet::fromBytes(TitleSet::none()->bytes())->numbers());
    }
}
