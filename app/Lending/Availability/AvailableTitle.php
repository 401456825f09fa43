<?php

declare(strict_types=1);

namespace App\Lending\Availability;

use App\Lending\Holdings\Elsewhere;
use DateTimeImmutable;
use DateTimeZone;
use FigPorch\Core\Lending\Availability;
use FigPorch\Core\Lending\Forecast\WaitEstimate;
use FigPorch\Core\Lending\LoanLength;

/** What the lamp of a title says at one library, and what stands behind it. */
final readonly class AvailableTitle
{
    /**
     * @param  int  $nextPlace  the place in line that a hold placed now would get
     * @param  WaitEstimate|null  $turn  when that turn is likely to come, where there is a wait and it was asked
     * @param  DateTimeImmutable|null  $resetsAt  where loans are paid for one by one and this month's are used up: when
     *     the next month begins
     * @param  bool  $takesHolds  whether there is a copy, now or later, that a hold can wait for
     * @param  LoanSource|null  $source  where the next loan would not be one of the library's own copies
     * @param  bool  $aboveCard  made for older readers than the card is for
     * @param  int|null  $atLimit  where the card has as many loans as it may have: how many these are
     * @param  LoanLength|null  $short  the shortest look that the card may have, where its library lends for hours
     * @param  Elsewhere|null  $elsewhere  where it stands, of a title that is not lent here: then nothing else counts
     * @param  DateTimeImmutable|null  $wentAt  when the last licence ended, if the library had one and has none now
     */
    public function __construct(
        public Availability $availability,
        public int $copies,
        public int $copiesFree,
        public int $nextPlace,
        public ?WaitEstimate $turn,
        public ?DateTimeImmutable $wentAt,
        public DateTimeZone $zone,
        public bool $aboveCard = false,
        public ?DateTimeImmutable $resetsAt = null,
        public bool $takesHolds = true,
        public ?LoanSource $source = null,
        public ?int $atLimit = null,
        public ?LoanLength $short = null,
        public ?Elsewhere $elsewhere = null,
    ) {}
}
