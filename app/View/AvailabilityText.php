<?php

declare(strict_types=1);

namespace App\View;

use App\Queries\Lending\TitleStanding;
use FigPorch\Core\Lending\Availability;

/** The words beside the lamp. */
final class AvailabilityText
{
    public static function of(TitleStanding $standing): string
    {
        return match ($standing->availability) {
            Availability::AlwaysReady => __('catalogue.availability.always_ready'),
            Availability::ReadyNow => __('catalogue.availability.ready_now').($standing->copiesFree > 1 ? ' · '.trans_choice('catalogue.copies_free', $standing->copiesFree) : ''),
            Availability::Wait => $standing->latest === null ? __('catalogue.wait_open') : __('catalogue.wait_latest', ['date' => Dates::day($standing->latest, $standing->zone)]),
            Availability::NotHere => __('catalogue.availability.not_here'),
        };
    }
}
