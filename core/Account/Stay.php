<?php

declare(strict_types=1);

namespace FigPorch\Core\Account;

/** How long somebody who signed in here stays so; never beyond 30 days in all. */
enum Stay: string
{
    case Usual = 'usual';
    case Long = 'long';
    /** On a computer that others use too. */
    case Shared = 'shared';

    public const DAYS_IN_ALL = 30;

    /** So long before it ends for want of use, on a shared computer, it is said. */
    public const WARNED_SECONDS = 120;

    public static function chosen(bool $shared, bool $long): self
    {
        return match (true) {
            $shared => self::Shared,
            $long => self::Long,
            default => self::Usual,
        };
    }

    /** How long without use. */
    public function idleSeconds(): int
    {
        return match ($this) {
            self::Shared => 15 * 60,
            self::Usual => 12 * 3600,
            self::Long => self::DAYS_IN_ALL * 86400,
        };
    }
}
