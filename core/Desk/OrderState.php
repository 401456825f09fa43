<?php

declare(strict_types=1);

namespace FigPorch\Core\Desk;

/** How far an order is. Received and cancelled ones stay as they are. */
enum OrderState: string
{
    case Noted = 'noted';
    case Ordered = 'ordered';
    case Received = 'received';
    case Cancelled = 'cancelled';

    /** A licence may come without that anybody has written down when it was ordered. */
    public function mayBecome(self $next): bool
    {
        return match ($this) {
            self::Noted => $next !== self::Noted,
            self::Ordered => $next === self::Received || $next === self::Cancelled,
            self::Received, self::Cancelled => false,
        };
    }
}
