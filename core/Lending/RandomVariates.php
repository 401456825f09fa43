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

    /** Of the standard normal distribution (Box and Muller, 1958). */
    public static function normal(Randomizer $random): float
    {
        return sqrt(-2 * log(1 - self::share($random))) * cos(2 * M_PI * self::share($random));
    }

    /** Of a gamma distribution of scale 1 (G. Marsaglia, W. W. Tsang, A simple method, ACM TOMS 26, 2000). */
    public static function gamma(Randomizer $random, float $shape): float
    {
        if ($shape < 1) {
            // Of shape + 1, times a power of an even share (the same paper, section 6).
            return self::gamma($random, $shape + 1) * (1 - self::share($random)) ** (1 / $shape);
        }
        $d = $shape - 1 / 3;
        $c = 1 / sqrt(9 * $d);
        while (true) {
            $x = self::normal($random);
            $v = 1 + $c * $x;
            if ($v <= 0) {
                continue;
            }
            $v *= $v * $v;
            $square = $x * $x;
            $share = 1 - self::share($random);
            // Nearly always the paper's squeeze tells without a logarithm.
            if ($share < 1 - 0.0331 * $square * $square || log($share) < $square / 2 + $d - $d * $v + $d * log($v)) {
                return $d * $v;
            }
        }
    }

    /** Of a beta distribution: a gamma variate's share of two. */
    public static function beta(Randomizer $random, float $a, float $b): float
    {
        $x = self::gamma($random, max($a, 1e-3));
        $y = self::gamma($random, max($b, 1e-3));

        return $x + $y > 0 ? $x / ($x + $y) : ($a >= $b ? 1.0 : 0.0);
    }
}
