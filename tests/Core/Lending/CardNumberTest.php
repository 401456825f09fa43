<?php

declare(strict_types=1);

namespace Tests\Core\Lending;

use FigPorch\Core\Lending\CardNumber;
use PHPUnit\Framework\TestCase;

final class CardNumberTest extends TestCase
{
    public function test_a_number_is_the_same_however_it_is_parted(): void
    {
        foreach (['21000001', '2100 0001', ' 21-00-00-01 ', "2100\u{A0}0001", '2100–0001'] as $written) {
            $this->assertSame('21000001', CardNumber::plain($written));
        }
    }

    public function test_what_a_number_may_be(): void
    {
        foreach (['1', 'B12', 'sea.12.3', str_repeat('9', 32)] as $number) {
            $this->assertTrue(CardNumber::isOne($number), $number);
        }
        foreach (['', '.', 'a.', 'a..b', 'a/b', 'ñ1', '1;2', "1\n", str_repeat('9', 33)] as $number) {
            $this->assertFalse(CardNumber::isOne($number), $number);
        }
    }
}
