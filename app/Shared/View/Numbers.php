<?php

declare(strict_types=1);

namespace App\Shared\View;

use NumberFormatter;
use RuntimeException;

/** Numbers as the language of the page writes them. */
final class Numbers
{
    /** @var array<string, NumberFormatter> by language and decimals */
    private static array $formats = [];

    public static function of(int|float|string $number, int $decimals = 0): string
    {
        $language = app()->getLocale();
        $format = self::$formats["{$language} {$decimals}"] ??= self::format($language, $decimals);
        $written = $format->format((float) $number);

        return $written === false ? throw new RuntimeException("{$number} cannot be written.") : $written;
    }

    private static function format(string $language, int $decimals): NumberFormatter
    {
        $format = new NumberFormatter($language, NumberFormatter::DECIMAL);
        $format->setAttribute(NumberFormatter::FRACTION_DIGITS, $decimals);
        // 2.5 is 3, as it was.
        $format->setAttribute(NumberFormatter::ROUNDING_MODE, NumberFormatter::ROUND_HALFUP);

        return $format;
    }
}
