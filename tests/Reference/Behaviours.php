<?php

declare(strict_types=1);

namespace Tests\Reference;

use Closure;
use Random\Randomizer;

/** How the people of an outside library may behave, by name. */
final class Behaviours
{
    /** Those that change over time: of what was measured before, less is true. */
    public const CHANGED = 'loans grew shorter half way before';

    public const CHANGES = 'loans grow shorter half way of asking';

    public const PRIZE = 'a rush after a prize';

    /**
     * @return array<string, array{Closure(int): OutsideLibrary, int, float}> by seed; how many titles, how much
     *     wanted
     */
    public static function all(): array
    {
        $never = fn(float $perDay): Closure => fn(Randomizer $r): float => OutsideLibrary::exponential($r, $perDay);
        // A share gives up within about ten days, the rest rarely.
        $soon = fn(float $share, float $perDay): Closure => fn(Randomizer $r): float => OutsideLibrary::share($r) <
        $share
            ? OutsideLibrary::exponential($r, 0.1)
            : OutsideLibrary::exponential($r, $perDay);
        $weibull = fn(float $shape, float $scale): Closure => fn(Randomizer $r): float => $scale *
            (-log(OutsideLibrary::share($r))) ** (1 / $shape);
        $alike = fn(): float => 0.6;
        $differ = fn(Randomizer $r): float => 0.15 + 0.8 * OutsideLibrary::share($r);
        $library = fn(
            Closure $patience,
            Closure $early,
            float $kept = 72,
            ?Closure $change = null,
            ?float $prize = null,
        ): Closure => fn(int $seed): OutsideLibrary => new OutsideLibrary(
            patience: $patience,
            early: $early,
            keptHours: $kept,
            habitChange: $change,
            missed: 0.08,
            seed: $seed,
            prize: $prize,
        );

        return [
            'almost nobody gives up' => [$library($never(0.0001), $alike), 90, 0.35],
            'constant, 0.005 a day' => [$library($never(0.005), $alike), 90, 0.6],
            '10 % within ten days, the rest 0.002' => [$library($soon(0.1, 0.002), $alike), 90, 0.45],
            '20 % within ten days, the rest 0.001' => [$library($soon(0.2, 0.001), $alike), 90, 0.45],
            'Weibull, fewer and fewer (0.6, 300)' => [$library($weibull(0.6, 300), $alike), 90, 0.45],
            'Weibull, more and more (1.6, 150)' => [$library($weibull(1.6, 150), $alike), 90, 0.45],
            'titles differ' => [$library($never(0.001), $differ), 90, 0.45],
            'titles differ, 15 % give up soon' => [$library($soon(0.15, 0.002), $differ), 90, 0.5],
            'kept 24 h' => [$library($never(0.001), $alike, 24), 90, 0.45],
            self::CHANGED => [
                $library($never(0.001), $alike, change: fn(float $day): float => $day < 365 ? 1.0 : 0.8),
                90,
                0.45,
            ],
            self::CHANGES => [
                $library($never(0.001), $alike, change: fn(float $day): float => $day < 930 ? 1.0 : 0.8),
                90,
                0.45,
            ],
            self::PRIZE => [$library($soon(0.1, 0.002), $alike, prize: 800), 90, 0.35],
            'kept 48 h' => [$library($never(0.001), $alike, 48), 90, 0.4],
            'kept 120 h' => [$library($never(0.001), $alike, 120), 90, 0.4],
        ];
    }
}
