<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

use DateTimeImmutable;

/** Whether a card is good to borrow with, and for how long: told before it bites. */
enum CardValidity: string
{
    case Good = 'good';
    case EndsSoon = 'ends_soon';
    case Ended = 'ended';
    case Blocked = 'blocked';

    private const SOON = '+30 days';

    public static function of(bool $isBlocked, ?DateTimeImmutable $expiresAt, DateTimeImmutable $now): self
    {
        return match (true) {
            $isBlocked => self::Blocked,
            $expiresAt !== null && $expiresAt <= $now => self::Ended,
            $expiresAt !== null && $expiresAt <= $now->modify(self::SOON) => self::EndsSoon,
            default => self::Good,
        };
    }
}
