<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Sending;

/** Why something does not go, or did not arrive. */
enum Undelivered: string
{
    case NoPlace = 'no_place';
    case WrongWay = 'wrong_way';
    case LoanOver = 'loan_over';
    case NotAllowed = 'not_allowed';
    case NoText = 'no_text';
    case TooLarge = 'too_large';
    case NothingThere = 'nothing_there';
    case Closed = 'closed';
    case Denied = 'denied';
    case NoFolder = 'no_folder';
    case Full = 'full';
    case Away = 'away';
    case Unknown = 'unknown';

    /** What the answer of a WebDAV server (RFC 4918, RFC 9110) to a file means; null where it took it. */
    public static function answered(int $status): ?self
    {
        return match (true) {
            $status >= 200 && $status < 300 => null,
            $status === 401 || $status === 403 => self::Denied,
            $status === 404 || $status === 405 || $status === 409 => self::NoFolder,
            $status === 413 || $status === 507 => self::Full,
            default => self::Away,
        };
    }
}
