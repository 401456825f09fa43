<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

use DateTimeImmutable;
use DateTimeZone;

/**
 * How far a card has come, this month, with loans that the library pays for one by one. Months are the library's
 * calendar months.
 */
final readonly class PayPerLoan
{
    /**
     * @param  int  $loans  taken on this card this month
     * @param  int  $most  that the card may take in a month
     * @param  DateTimeImmutable  $resetsAt  when the next month begins
     */
    public function __construct(public int $loans, public int $most, public DateTimeImmutable $resetsAt) {}

    public static function nextMonth(DateTimeImmutable $now, DateTimeZone $libraryZone): DateTimeImmutable
    {
        return $now
            ->setTimezone($libraryZone)
            ->modify('first day of next month')
            ->setTime(0, 0)
            ->setTimezone(new DateTimeZone('UTC'));
    }

    public function capReached(): bool
    {
        return $this->loans >= $this->most;
    }
}
