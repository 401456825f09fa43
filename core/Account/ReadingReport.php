<?php

declare(strict_types=1);

namespace FigPorch\Core\Account;

use DateTimeImmutable;
use InvalidArgumentException;

/** What a device says was read from one moment to another. */
final readonly class ReadingReport
{
    /** Nobody reads longer without a turn being told in between. */
    private const LONGEST_SECONDS = 12 * 3600;

    /** Sound is played three times as fast at most. */
    private const FASTEST = 3.1;

    /** A page that is turned sooner was not read. */
    private const PAGES_A_SECOND = 0.5;

    public DateTimeImmutable $begins;

    public DateTimeImmutable $ends;

    public int $seconds;

    public int $pages;

    /** @throws InvalidArgumentException for what cannot have been */
    public function __construct(DateTimeImmutable $begins, DateTimeImmutable $ends, float $seconds, int $pages)
    {
        $length = (float) $ends->format('U.u') - (float) $begins->format('U.u');
        if ($length <= 0 || $length > self::LONGEST_SECONDS || $seconds < 0 || $pages < 0) {
            throw new InvalidArgumentException('Reading goes from one moment to a later one.');
        }
        $this->begins = $begins;
        $this->ends = $ends;
        $this->seconds = (int) round(min($seconds, $length * self::FASTEST));
        $this->pages = (int) min($pages, ceil($length * self::PAGES_A_SECOND));
    }
}
