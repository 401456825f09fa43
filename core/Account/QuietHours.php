<?php

declare(strict_types=1);

namespace FigPorch\Core\Account;

use DateTimeImmutable;
use DateTimeZone;
use InvalidArgumentException;

/** Hours of the day, by a library's clock, in which nobody is sent a notice. */
final readonly class QuietHours
{
    /**
     * @param  string  $from  "21:00"
     * @param  string  $until  "07:00", which may be of the next day
     */
    public function __construct(private string $from, private string $until, private DateTimeZone $zone)
    {
        if (
            preg_match('/^\d\d:\d\d$/D', $from) !== 1 ||
            preg_match('/^\d\d:\d\d$/D', $until) !== 1 ||
            $from === $until
        ) {
            throw new InvalidArgumentException('Quiet hours are from one time of day to another.');
        }
    }

    /** @return DateTimeImmutable|null when they are over; null where it is none of them */
    public function endAfter(DateTimeImmutable $now): ?DateTimeImmutable
    {
        $local = $now->setTimezone($this->zone);
        $time = $local->format('H:i');
        $isQuiet =
            $this->from < $this->until
                ? $time >= $this->from && $time < $this->until
                : $time >= $this->from || $time < $this->until;
        if (!$isQuiet) {
            return null;
        }
        $end = $local->modify($this->until);

        // A clock that was put forward may have no such time; PHP then gives one that is later, never earlier.
        return $end > $now ? $end : $local->modify('+1 day')->modify($this->until);
    }
}
