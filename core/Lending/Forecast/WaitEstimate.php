<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending\Forecast;

use DateTimeImmutable;

/**
 * When a place in line is likely to get a copy: one chance in ten that it is before the first date, one that it is
 * after the last.
 */
final readonly class WaitEstimate
{
    /**
     * @param  DateTimeImmutable|null  $from  10th percentile; null, like the others, where no copy may be left by then
     * @param  DateTimeImmutable|null  $middle  50th percentile
     * @param  DateTimeImmutable|null  $to  90th percentile
     * @param  DateTimeImmutable|null  $latest  where it can be promised
     * @param  DateTimeImmutable|null  $surely  95th percentile: 19 turns in 20 come before
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
