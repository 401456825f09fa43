<?php

declare(strict_types=1);

namespace App\Exchange\Counter;

use FigPorch\Core\Lending\Refusal;

/** What somebody did with the catalogue, or could not do. */
enum Act: string
{
    case Search = 'search';
    case Record = 'record';
    case Excerpt = 'excerpt';
    case Citation = 'citation';
    case Reading = 'reading';
    case File = 'file';
    case NoCopy = 'no_copy';
    case NoLicence = 'no_licence';

    /** Null for a refusal that has nothing to do with what the library has. */
    public static function refused(Refusal $reason): ?self
    {
        return match ($reason) {
            Refusal::NoCopyFree, Refusal::PayPerLoanBudget => self::NoCopy,
            Refusal::NoLicence, Refusal::NotYet => self::NoLicence,
            default => null,
        };
    }
}
