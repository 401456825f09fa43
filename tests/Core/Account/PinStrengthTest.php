<?php

declare(strict_types=1);

namespace Tests\Core\Account;

use FigPorch\Core\Account\PinStrength;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class PinStrengthTest extends TestCase
{
    /** @return iterable<array{string, PinStrength}> */
    public static function pins(): iterable
    {
        yield ['4071', PinStrength::Good];
        yield ['407155263308', PinStrength::Good];
        yield ['1224', PinStrength::Good];
        yield ['407', PinStrength::NoPin];
        yield ['4071552633081', PinStrength::NoPin];
        yield ['40 71', PinStrength::NoPin];
        yield ["4071\n", PinStrength::NoPin];
        yield ['٤٠٧١', PinStrength::NoPin];
        yield ['7777', PinStrength::AllTheSame];
        yield ['1234', PinStrength::InARow];
        yield ['890123', PinStrength::InARow];
        yield ['4321', PinStrength::InARow];
        yield ['3456', PinStrength::InARow];
        yield ['0042', PinStrength::OfTheCard];
    }

    #[DataProvider('pins')]
    public function test_which_may_be_chosen(string $pin, PinStrength $expected): void
    {
        $this->assertSame($expected, PinStrength::of($pin, '21000042'));
    }
}
