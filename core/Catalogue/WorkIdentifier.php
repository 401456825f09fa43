<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue;

/**
 * What all editions and formats of one work have in common, as publishers say it: "istc:A022009000000046", an address.
 */
final class WorkIdentifier
{
    /** Numbers that are written with strokes or blanks, or without. */
    private const BARE = ['istc', 'isbn', 'iswc'];

    /** @param  string  $kind  what number it is, or of whom */
    public static function of(string $kind, string $value): string
    {
        $kind = mb_strtolower(trim($kind));

        return $kind .
            ':' .
            (in_array($kind, self::BARE, true)
                ? strtoupper((string) preg_replace('/[^0-9a-z]/i', '', $value))
                : trim($value));
    }

    /** As MARC writes it, "(kind)value"; an address is as it is. */
    public static function read(string $text): string
    {
        $text = trim($text);

        return preg_match('/^\(([^()]+)\)\s*(.+)$/s', $text, $m) === 1 ? self::of($m[1], $m[2]) : $text;
    }

    public static function written(string $identifier): string
    {
        return preg_match('#^(?!https?:|urn:)([^:/\s]+):(.+)$#s', $identifier, $m) === 1
            ? "({$m[1]}){$m[2]}"
            : $identifier;
    }
}
