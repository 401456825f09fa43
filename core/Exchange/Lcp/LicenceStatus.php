<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Lcp;

/** Where a licence stands (LSD 1.0, 2.2): as its loan does. */
enum LicenceStatus: string
{
    /** No device has opened it yet. */
    case Ready = 'ready';

    case Active = 'active';

    /** Given back before its time, after a device had opened it. */
    case Returned = 'returned';

    /** Given back before any device had. */
    case Cancelled = 'cancelled';

    case Expired = 'expired';

    public static function of(bool $isOpen, bool $isReturned, int $devices): self
    {
        return match (true) {
            $isOpen => $devices === 0 ? self::Ready : self::Active,
            $isReturned => $devices === 0 ? self::Cancelled : self::Returned,
            default => self::Expired,
        };
    }

    public function isOver(): bool
    {
        return $this !== self::Ready && $this !== self::Active;
    }
}
