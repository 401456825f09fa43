<?php

declare(strict_types=1);

namespace Tests\Core\Lending;

use FigPorch\Core\Lending\Symbology;
use PHPUnit\Framework\TestCase;

final class SymbologyTest extends TestCase
{
    public function test_a_number_is_drawn_in_what_has_signs_for_it(): void
    {
        $drawn = fn(Symbology $wanted, string $number): string => $wanted->for($number)->value;
        $this->assertSame('codabar', $drawn(Symbology::Codabar, '21234000123456'));
        $this->assertSame('A21234000123456A', Symbology::Codabar->text('21234000123456'));
        $this->assertSame('code128', $drawn(Symbology::Codabar, 'SM-2100'));
        $this->assertSame('code39', $drawn(Symbology::Code39, 'SM-2100'));
        $this->assertSame('code128', $drawn(Symbology::Code39, 'sm-2100'));
        $this->assertSame('qr', $drawn(Symbology::Code128, 'Ñ-2100'));
        $this->assertSame('qr', $drawn(Symbology::Qr, '1'));
    }
}
