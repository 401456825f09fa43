<?php

declare(strict_types=1);

namespace FigPorch\Core\Desk;

/** What a fund has in a year, and what has been made of it; all in cents. */
final readonly class FundBalance
{
    /**
     * @param  int  $noted  what is meant to be ordered
     * @param  int  $ordered  what has been ordered and has not come
     * @param  int  $received  what has come
     */
    public function __construct(
        public int $budget,
        public int $noted = 0,
        public int $ordered = 0,
        public int $received = 0,
    ) {}

    /** What is not promised to anybody: cancelled orders give theirs back. */
    public function left(): int
    {
        return $this->budget - $this->noted - $this->ordered - $this->received;
    }

    /** By how much an order of so many cents would go beyond the budget; 0 where it does not. */
    public function beyond(int $cents): int
    {
        return max(0, $cents - $this->left());
    }
}
