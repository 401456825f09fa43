<?php

declare(strict_types=1);

namespace App\Lending\Availability;

use App\Lending\Holdings\ElsewhereText;
use App\Shared\View\Dates;
use DateTimeImmutable;
use FigPorch\Core\Lending\Availability;

/** The words beside the lamp. */
final class AvailabilityText
{
    public static function of(AvailableTitle $standing): string
    {
        if ($standing->elsewhere !== null) {
            return ElsewhereText::short($standing->elsewhere);
        }
        if ($standing->aboveCard) {
            return __('borrowing.above_card');
        }

        return match ($standing->availability) {
            Availability::AlwaysReady => __('catalogue.availability.always_ready'),
            Availability::ReadyNow => __('catalogue.availability.ready_now') .
                ($standing->copiesFree > 1 ? ' · ' . trans_choice('catalogue.copies_free', $standing->copiesFree) : ''),
            Availability::Wait => self::wait($standing),
            Availability::OnOrder => __('catalogue.availability.on_order'),
            Availability::NotHere => __('catalogue.availability.not_here'),
        };
    }

    /** What it says to whoever may have it on loan, or a copy kept. */
    public static function forPerson(
        AvailableTitle $standing,
        OwnItems $own,
        int $titleId,
        DateTimeImmutable $now,
    ): string {
        return match (true) {
            $own->loan($titleId) !== null => __('catalogue.availability.on_loan'),
            $own->readyHold($titleId, $now) !== null => __('catalogue.availability.ready_now'),
            default => self::of($standing),
        };
    }

    /** "Wait about 3 weeks" by the middle of the range. */
    private static function wait(AvailableTitle $standing): string
    {
        return match (true) {
            $standing->resetsAt !== null => __('catalogue.wait_month', [
                'date' => Dates::day($standing->resetsAt, $standing->zone),
            ]),
            $standing->turn === null && $standing->takesHolds => __('catalogue.availability.wait'),
            $standing->turn?->middle === null => __('catalogue.wait_open'),
            default => __('catalogue.wait_about', ['time' => Dates::about($standing->turn->middle)]),
        };
    }
}
