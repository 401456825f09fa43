<?php

declare(strict_types=1);

namespace App\Lending\Availability;

use DateTimeImmutable;
use FigPorch\Core\Lending\Licence;
use FigPorch\Core\Lending\LicenceModel;
use FigPorch\Core\Lending\SpendingOrder;

/** Where the next loan of a title would come from, if not from a copy of the library's own. */
enum LoanSource: string
{
    case Shared = 'shared';
    case Paid = 'paid';

    /** @param  list<Licence>  $licences  those that the library's patrons can use, the oldest first */
    public static function ofNext(array $licences, int $libraryId, DateTimeImmutable $now): ?self
    {
        $next = SpendingOrder::choose($licences, $libraryId, $now) ?? ($licences[0] ?? null);

        return match (true) {
            $next === null => null,
            $next->model === LicenceModel::PayPerLoan => self::Paid,
            $next->libraryId !== $libraryId => self::Shared,
            default => null,
        };
    }
}
