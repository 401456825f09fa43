<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue;

/** What programs write where somebody said nothing: no person, no publisher, no description (from what was seen). */
final class Filler
{
    private const WORDS = [
        'unknown',
        'unknown author',
        'unknown publisher',
        'author unknown',
        'n/a',
        'none',
        'null',
        'nil',
        'undefined',
        'no description',
        'unbekannt',
        'inconnu',
        'desconocido',
        'autor desconocido',
        'sconosciuto',
        'tbd',
    ];

    public static function is(string $text): bool
    {
        $said = mb_strtolower(trim($text, " \t\n\r\0\x0B.,;:()[]<>"));

        return preg_match('/[\p{L}\p{N}]/u', $said) !== 1 || in_array($said, self::WORDS, true);
    }
}
