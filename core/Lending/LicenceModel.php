<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

enum LicenceModel: string
{
    case OneCopyOneUser = 'one_copy_one_user';
    case MeteredByTime = 'metered_by_time';
    case MeteredByLoans = 'metered_by_loans';
    case Concurrent = 'concurrent';
    case Simultaneous = 'simultaneous';
    case PayPerLoan = 'pay_per_loan';

    /** Whether a loan under this model occupies one of a fixed number of copies. */
    public function hasCopies(): bool
    {
        return $this !== self::Simultaneous && $this !== self::PayPerLoan;
    }

    /** Whether a hold can wait for it: pay per loan has no copies that come back, only a budget that is renewed. */
    public function takesHolds(): bool
    {
        return $this !== self::PayPerLoan;
    }

    /** Whether every loan uses up one of a number of loans bought. */
    public function countsLoans(): bool
    {
        return $this === self::MeteredByLoans || $this === self::Concurrent;
    }
}
