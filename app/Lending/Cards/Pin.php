<?php

declare(strict_types=1);

namespace App\Lending\Cards;

/** A PIN that a library gives out: six digits at random. */
final class Pin
{
    private const DIGITS = 6;

    public static function make(): string
    {
        return str_pad((string) random_int(0, 10 ** self::DIGITS - 1), self::DIGITS, '0', STR_PAD_LEFT);
    }
}
