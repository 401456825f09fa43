<?php

declare(strict_types=1);

namespace App\Lending\Waits;

use App\Shared\View\Dates;
use DateTimeImmutable;
use DateTimeZone;
use FigPorch\Core\Lending\Forecast\WaitEstimate;

/** An estimate in words. */
final class EstimateText
{
    /** "; 19 in 20 by 3 May; at the latest 2 July": what is to be said after the likely range. */
    public static function after(WaitEstimate $turn, DateTimeZone $zone, DateTimeImmutable $now): string
    {
        $surely =
            $turn->surely !== null && $turn->tellsSurely($now)
                ? (string) __('catalogue.nineteen_in_twenty', ['date' => Dates::day($turn->surely, $zone)])
                : null;
        $latest =
            $turn->latest === null || $turn->latest <= $now
                ? null
                : (string) __('catalogue.latest_of', ['date' => Dates::day($turn->latest, $zone)]);

        return implode('', array_map(fn(string $of): string => "; {$of}", array_filter([$surely, $latest])));
    }
}
