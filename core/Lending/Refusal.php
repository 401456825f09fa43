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
    case NotYet = 'not_yet';
    case OnOrder = 'on_order';
    case PayPerLoanCap = 'pay_per_loan_cap';
    case PayPerLoanBudget = 'pay_per_loan_budget';
    case TooEarlyToRenew = 'too_early_to_renew';
    case RenewedEnough = 'renewed_enough';
    case OthersWait = 'others_wait';
    case LicenceEnded = 'licence_ended';
    case HeldHere = 'held_here';
    case RequestLimit = 'request_limit';

    /** Someone wanted the title and could not have it for want of a copy or a licence. */
    public function isTurnaway(): bool
    {
        return in_array($this, [self::NoLicence, self::NotYet, self::NoCopyFree, self::PayPerLoanBudget], true);
    }
}
