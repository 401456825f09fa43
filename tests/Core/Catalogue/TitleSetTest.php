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
            self::assertSame(array_values(array_intersect($a, $b)), $setA->and($setB)->numbers());
            self::assertSame(count(array_intersect($a, $b)), $setA->countWith($setB));
            self::assertSame(array_values(array_diff($a, $b)), $setA->without($setB)->numbers());
            $either = array_unique([...$a, ...$b]);
            sort($either);
            self::assertSame($either, $setA->or($setB)->numbers());
            self::assertSame($a, TitleSet::fromBytes($setA->bytes())->numbers());
            $one = $random->getInt(0, 700);
            self::assertSame(in_array($one, $a, true), $setA->has($one));
        }
    }

    /** @return list<int> */
    private static function some(Randomizer $random): array
    {
        $most = $random->getInt(0, 600);

        return array_values(array_filter(range(0, $most), fn (): bool => $random->getInt(0, 9) < 3));
    }

    #[Test]
    public function title_n_is_bit_n_mod_8_of_byte_n_div_8(): void
    {
        self::assertSame([0, 9, 23], TitleSet::fromBytes("\x01\x02\x80")->numbers());
        self::assertStringStartsWith("\x01\x02\x80", TitleSet::of([0, 9, 23])->bytes());
    }

    #[Test]
    public function a_title_has_no_negative_number(): void
    {
        $this->expectException(ValueError::class);
        TitleSet::of([3, -1]);
    }
}
