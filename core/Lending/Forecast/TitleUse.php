<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending\Forecast;

/** How the loans of one title have ended at a library. */
final readonly class TitleUse
{
    /** A loan is returned early that was kept for less than this share of its length. */
    public const EARLY = 0.95;

    /** @param  int  $early  of so many loans, those returned early */
    public function __construct(public int $early, public int $loans) {}
}
