<?php

declare(strict_types=1);

namespace App\Queries\Lending;

/** Where the next loan of a title would come from, if not from a copy of the library's own. */
enum LoanSource: string
{
    case Shared = 'shared';
    case Paid = 'paid';
}
