<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

enum Refusal: string
{
    case CardExpired = 'card_expired';
    case CardBlocked = 'card_blocked';
    case AboveAudience = 'above_audience';
    case NoLicence = 'no_licence';
    case LoanLimit = 'loan_limit';
    case HoldLimit = 'hold_limit';
    case NoCopyFree = 'no_copy_free';
    case LengthNotOffered = 'length_not_offered';
    case AlreadyOnLoan = 'already_on_loan';
    case AlreadyHeld = 'already_held';
    case CopyFree = 'copy_free';

    /** Someone wanted the title and could not have it for want of a copy or a licence. */
    public function isTurnaway(): bool
    {
        return $this === self::NoLicence || $this === self::NoCopyFree;
    }
}
