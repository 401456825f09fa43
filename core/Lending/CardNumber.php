<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

/** The number of a library card, as it is kept: without the spaces and hyphens by which people part it. */
final class CardNumber
{
    public const LONGEST = 32;

    /** Letters and digits of English, with dots between. */
    private const SHAPE = '/^[A-Za-z0-9]+(\.[A-Za-z0-9]+)*$/D';

    public static function plain(string $text): string
    {
        return (string) preg_replace('/[\s\x{A0}\-‐–]+/u', '', mb_scrub($text));
    }

    public static function isOne(string $plain): bool
    {
        return preg_match(self::SHAPE, $plain) === 1 && strlen($plain) <= self::LONGEST;
    }
}
