<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Level;

/** How hard an English text is to read, from its counts. */
final class ReadingLevel
{
    /** Below so many words a formula says little. */
    private const FEWEST_WORDS = 100;

    private const HIGHEST_GRADE = 18.0;

    /**
     * 100 and above is very easy, 0 and below very hard: R. Flesch, A new readability yardstick, Journal of Applied
     * Psychology 32, 1948.
     */
    public static function fleschReadingEase(TextCounts $text): float
    {
        return 206.835 - (1.015 * $text->words) / $text->sentences - (84.6 * $text->syllables) / $text->words;
    }

    /**
     * A school grade of the United States: J. P. Kincaid and others, Derivation of new readability formulas, Navy
     * Research Branch Report 8-75, 1975.
     */
    public static function fleschKincaid(TextCounts $text): float
    {
        return (0.39 * $text->words) / $text->sentences + (11.8 * $text->syllables) / $text->words - 15.59;
    }

    /**
     * A school grade from letters alone: M. Coleman and T. L. Liau, A computer readability formula, Journal of Applied
     * Psychology 60, 1975.
     */
    public static function colemanLiau(TextCounts $text): float
    {
        return (0.0588 * 100 * $text->letters) / $text->words - (0.296 * 100 * $text->sentences) / $text->words - 15.8;
    }

    /** The level that a record carries: the mean of both grades, from 0 to 18; null for a text too short to say. */
    public static function grade(TextCounts $text): ?float
    {
        if ($text->words < self::FEWEST_WORDS) {
            return null;
        }

        return round(
            max(0.0, min(self::HIGHEST_GRADE, (self::fleschKincaid($text) + self::colemanLiau($text)) / 2)),
            1,
        );
    }
}
