<?php

declare(strict_types=1);

namespace App\Lending\Availability;

use DateTimeImmutable;
use FigPorch\Core\Lending\Availability;
use Illuminate\Support\HtmlString;

/**
 * The availability mark: lit for ready now, half-lit for a wait, dark for not here. Its drawings stand once in the
 * page's layout.
 */
enum AvailabilityIcon: string
{
    case Lit = 'lit';
    case Half = 'half';
    case Dark = 'dark';

    public static function of(AvailableTitle $standing): self
    {
        return match ($standing->aboveCard ? Availability::NotHere : $standing->availability) {
            Availability::AlwaysReady, Availability::ReadyNow => self::Lit,
            Availability::Wait, Availability::OnOrder => self::Half,
            Availability::NotHere => self::Dark,
        };
    }

    /** For whoever has it on loan, or has a copy kept, it is there. */
    public static function forPerson(
        AvailableTitle $standing,
        OwnItems $own,
        int $titleId,
        DateTimeImmutable $now,
    ): self {
        return $own->loan($titleId) !== null || $own->readyHold($titleId, $now) !== null
            ? self::Lit
            : self::of($standing);
    }

    public function html(): HtmlString
    {
        return new HtmlString(
            '<svg width="22" height="22" aria-hidden="true" class="flex-none" ' .
                "data-lamp=\"{$this->value}\"><use href=\"#lamp-{$this->value}\"/></svg>",
        );
    }
}
