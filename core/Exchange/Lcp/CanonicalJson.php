<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Lcp;

/**
 * A document as it is signed (LCP 1.0, 5.3, Canonical form): properties in the order of their code points, nothing
 * between them, nothing escaped that need not be.
 */
final class CanonicalJson
{
    private const FLAGS =
        JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_LINE_TERMINATORS;

    /** @param  array<string, mixed>  $document */
    public static function of(array $document): string
    {
        return json_encode(self::sorted($document), self::FLAGS);
    }

    /**
     * @param  array<array-key, mixed>  $of
     * @return array<array-key, mixed>
     */
    private static function sorted(array $of): array
    {
        // Bytes of UTF-8 stand in the order of their code points.
        array_is_list($of) || ksort($of, SORT_STRING);

        return array_map(fn(mixed $value): mixed => is_array($value) ? self::sorted($value) : $value, $of);
    }
}
