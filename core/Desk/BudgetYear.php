<?php

declare(strict_types=1);

namespace FigPorch\Core\Desk;

use DateTimeImmutable;
use DateTimeZone;

/** A year of a library's budget, which need not begin in January. */
final readonly class BudgetYear
{
    /** @param  int  $month  with which it begins, 1 to 12 */
    public function __construct(public int $year, public int $month) {}

    public static function of(DateTimeImmutable $at, DateTimeZone $zone, int $month): self
    {
        $local = $at->setTimezone($zone);

        return new self((int) $local->format('Y') - ((int) $local->format('n') < $month ? 1 : 0), $month);
    }

    /** "2026", or "2026/27" where it does not begin in January. */
    public function name(): string
    {
        return $this->month === 1 ? (string) $this->year : sprintf('%d/%02d', $this->year, ($this->year + 1) % 100);
    }
}
