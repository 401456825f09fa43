<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending\Forecast;

use DateTimeImmutable;

/**
 * When a place in line is likely to get a copy, in whole days as patrons read them: 8 times in 10 from the beginning of
 * the first day to the end of the last.
 */
final readonly class WaitEstimate
{
    /**
     * @param  DateTimeImmutable|null  $from  the beginning of the first day; null, like the others, where no copy may
     *     be left by then
     * @param  DateTimeImmutable|null  $middle  as many turns come before as after
     * @param  DateTimeImmutable|null  $to  the end of the last day
     * @param  DateTimeImmutable|null  $latest  where it can be promised; nothing else is later
     * @param  DateTimeImmutable|null  $surely  the end of the day by which 19 turns in 20 come
     * @param  float  $never  chance that no copy is left before the turn comes
     */
    public function __construct(
        public ?DateTimeImmutable $from,
        public ?DateTimeImmutable $middle,
        public ?DateTimeImmutable $to,
        public ?DateTimeImmutable $latest,
        public float $never = 0.0,
        public ?DateTimeImmutable $surely = null,
    ) {}

    /** Where nothing can be said: a title on order comes when it comes. */
    public static function none(): self
    {
        return new self(from: null, middle: null, to: null, latest: null);
    }

    /**
     * Whether a date that 19 in 20 hold says something beside the others: what is promised is far from likely, or
     * nothing can be promised.
     */
    public function tellsSurely(DateTimeImmutable $now): bool
    {
        if ($this->surely === null || $this->to === null || $this->surely <= $now) {
            return false;
        }
        $week = 7 * 86400;

        return $this->latest === null
            ? $this->surely->getTimestamp() - $this->to->getTimestamp() > 86400
            : $this->latest->getTimestamp() - $this->surely->getTimestamp() > $week;
    }
}
