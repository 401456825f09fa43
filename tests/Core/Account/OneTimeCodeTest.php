<?php

declare(strict_types=1);

namespace Tests\Core\Account;

use FigPorch\Core\Account\OneTimeCode;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class OneTimeCodeTest extends TestCase
{
    /** The secret of RFC 6238, appendix B, for SHA-1. */
    private const SECRET = '12345678901234567890';

    /** @return iterable<array{int, string}> RFC 6238, appendix B, the rows of SHA-1 */
    public static function rfc6238(): iterable
    {
        yield [59, '94287082'];
        yield [1111111109, '07081804'];
        yield [1111111111, '14050471'];
        yield [1234567890, '89005924'];
        yield [2000000000, '69279037'];
        yield [20000000000, '65353130'];
    }

    #[DataProvider('rfc6238')]
    public function test_the_codes_of_the_standard(int $time, string $code): void
    {
        $this->assertSame($code, (new OneTimeCode(self::SECRET, 8))->code(OneTimeCode::step($time)));
        $this->assertSame(substr($code, 2), (new OneTimeCode(self::SECRET))->code(OneTimeCode::step($time)));
    }

    /** @return iterable<array{string, string}> RFC 4648, section 10, without filling signs */
    public static function rfc4648(): iterable
    {
        yield ['f', 'MY'];
        yield ['fo', 'MZXQ'];
        yield ['foo', 'MZXW6'];
        yield ['foob', 'MZXW6YQ'];
        yield ['fooba', 'MZXW6YTB'];
        yield ['foobar', 'MZXW6YTBOI'];
    }

    #[DataProvider('rfc4648')]
    public function test_secrets_as_one_types_them(string $bytes, string $text): void
    {
        $this->assertSame($text, OneTimeCode::base32($bytes));
    }

    public function test_a_code_is_good_once_and_for_a_step_around(): void
    {
        $codes = new OneTimeCode(self::SECRET);
        $now = 1234567890;
        $step = OneTimeCode::step($now);
        foreach ([-1, 0, 1] as $off) {
            $this->assertSame($step + $off, $codes->stepOf($codes->code($step + $off), $now, 0));
        }
        $this->assertNull($codes->stepOf($codes->code($step + 2), $now, 0));
        $this->assertNull($codes->stepOf($codes->code($step - 2), $now, 0));
        $this->assertNull($codes->stepOf($codes->code($step), $now, $step), 'it was used');
        $this->assertNull($codes->stepOf('', $now, 0));
        $this->assertSame(20, strlen(OneTimeCode::secret(random_bytes(...))));
    }
}
