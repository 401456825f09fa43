<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Links;

use DateTimeImmutable;

/**
 * What is known of a website after it was looked at: once a week, and where it is not there, five times over a week
 * before it is called dead.
 */
final readonly class LinkState
{
    public const TRIES = 5;

    private const WEEK = '+7 days';

    /** So that the first and the fifth are a week apart. */
    private const BETWEEN_TRIES = '+42 hours';

    /** @param  int  $tries  one after another that found it not to be there */
    private function __construct(
        public int $tries,
        public ?Trouble $trouble,
        public bool $isDead,
        public DateTimeImmutable $askAt,
    ) {}

    /** @param  int  $tries  before this one, that found it not to be there */
    public static function after(int $tries, ?Trouble $found, DateTimeImmutable $now): self
    {
        if ($found === null || $found === Trouble::Inside) {
            return new self(0, $found, false, $now->modify(self::WEEK));
        }
        $tries = min(self::TRIES, $tries + 1);
        $isDead = $tries === self::TRIES;

        return new self($tries, $found, $isDead, $now->modify($isDead ? self::WEEK : self::BETWEEN_TRIES));
    }
}
