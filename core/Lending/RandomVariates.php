<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

use Random\Randomizer;

/** Random numbers that Randomizer has no method for in PHP 8.2. */
final class RandomVariates
{
    /** Evenly between 0 and 1, 1 not included, in 53 bits: give the Randomizer a 64-bit engine. */
    public static function share(Randomizer $random): float
    {
        return ($random->nextInt() >> 10) / 2 ** 53;
    }

    /** Of an exponential distribution; by inversion. */
    public static function exponential(Randomizer $random, float $mean): float
    {
        return -$mean * log(1 - self::share($random));
    }
}
