<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue;

/** Where in its series a title stands: a number, perhaps a broken one, as records write it. */
final class SeriesPosition
{
    private const MOST = 100_000;

    /** @return float|null null for what is no number, or none that a series has */
    public static function read(mixed $written): ?float
    {
        return is_numeric($written) && abs((float) $written) < self::MOST ? (float) $written : null;
    }
}
