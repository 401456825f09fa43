<?php

declare(strict_types=1);

namespace App\Shared\View;

use NumberFormatter;
use RuntimeException;

/** Numbers as the language of the page writes them. */
final class Numbers
{
    /** @var array<string, NumberFormatter> by language, least and most decimals */
    private static array $formats = [];

    public static function of(int|float|string $number, int $decimals = 0): string
    {
        return self::write($number, $decimals, $decimals);
    }

    /** With as many decimals as it has, and no more than that. */
    public static function upTo(int|float|string $number, int $decimals): string
    {
        return self::write($number, 0, $decimals);
    }

    private static function write(int|float|string $number, int $least, int $most): string
    {
        $language = app()->getLocale();
        $format = self::$formats["{$language} {$least} {$most}"] ??= self::format($language, $least, $most);
        $written = $format->format((float) $number);

        return $written === false ? throw new RuntimeException("{$number} cannot be written.") : $written;
    }

    private static function format(string $language, int $least, int $most): NumberFormatter
    {
        $format = new NumberFormatter($language, NumberFormatter::DECIMAL);
        $format->setAttribute(NumberFormatter::MIN_FRACTION_DIGITS, $least);
        $format->setAttribute(NumberFormatter::MAX_FRACTION_DIGITS, $most);
        // 2.5 is 3, as it was.
        $format->setAttribute(NumberFormatter::ROUNDING_MODE, NumberFormatter::ROUND_HALFUP);

        return $format;
    }
}
