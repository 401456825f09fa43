<?php

declare(strict_types=1);

namespace App\Queries\Lending;

use DateTimeImmutable;
use DateTimeZone;
use FigPorch\Core\Lending\Availability;

/** What the lamp of a title says at one library, and what stands behind it. */
final readonly class TitleStanding
{
    /**
     * @param  int  $nextPlace  the place in line that a hold placed now would get
     * @param  DateTimeImmutable|null  $latest  when that turn comes at the latest; null when it cannot be promised
     * @param  bool  $aboveCard  made for older readers than the card is for
     * @param  DateTimeImmutable|null  $wentAt  when the last licence ended, if the library had one and has none now
     */
    public function __construct(
        public Availability $availability,
        public int $copies,
        public int $copiesFree,
        public int $nextPlace,
        public ?DateTimeImmutable $latest,
        public ?DateTimeImmutable $wentAt,
        public DateTimeZone $zone,
        public bool $aboveCard = false,
    ) {
    }
}
