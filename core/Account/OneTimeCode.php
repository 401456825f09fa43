<?php

declare(strict_types=1);

namespace FigPorch\Core\Account;

/** Codes that a device makes from a shared secret and the time: RFC 6238 with HMAC-SHA-1, a step each 30 seconds. */
final readonly class OneTimeCode
{
    private const STEP_SECONDS = 30;

    /** A step before and after: clocks differ, and typing takes time (RFC 6238, 5.2). */
    private const STEPS_AROUND = 1;

    /** Of a secret: as long as the hash, as RFC 4226, 4, asks. */
    private const SECRET_BYTES = 20;

    private const BASE32 = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567';

    /** @param  string  $secret  bytes */
    public function __construct(#[\SensitiveParameter] private string $secret, private int $digits = 6) {}

    /** @param  callable(int<1, max>): string  $randomBytes  so many */
    public static function secret(callable $randomBytes): string
    {
        return $randomBytes(self::SECRET_BYTES);
    }

    public static function step(int $timestamp): int
    {
        return intdiv($timestamp, self::STEP_SECONDS);
    }

    /** The code of a step: HOTP of RFC 4226, 5.3. */
    public function code(int $step): string
    {
        $hash = hash_hmac('sha1', pack('J', $step), $this->secret, binary: true);
        $offset = ord($hash[19]) & 0xf;
        /** @var array{1: int} $number */
        $number = unpack('N', substr($hash, $offset, 4));

        return str_pad((string) (($number[1] & 0x7fffffff) % 10 ** $this->digits), $this->digits, '0', STR_PAD_LEFT);
    }

    /**
     * @param  int  $after  the step of the last code that was taken: each is good once (RFC 6238, 5.2)
     * @return int|null the step of which it is the code
     */
    public function stepOf(string $code, int $timestamp, int $after): ?int
    {
        $now = self::step($timestamp);
        for ($step = $now - self::STEPS_AROUND; $step <= $now + self::STEPS_AROUND; $step++) {
            if ($step > $after && hash_equals($this->code($step), $code)) {
                return $step;
            }
        }

        return null;
    }

    /** As one types it where a picture cannot be read (RFC 4648, 6), without filling signs. */
    public static function base32(string $bytes): string
    {
        $bits = '';
        foreach (str_split($bytes) as $byte) {
            $bits .= str_pad(decbin(ord($byte)), 8, '0', STR_PAD_LEFT);
        }
        $text = '';
        foreach (str_split($bits, 5) as $five) {
            $text .= self::BASE32[(int) bindec(str_pad($five, 5, '0'))];
        }

        return $text;
    }
}
