<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

use DateTimeImmutable;
use FigPorch\Core\Catalogue\Audience;

/**
 * May a return be taken back? It is a loan again, so all that a loan needs of the card it needs now; but of its licence
 * only that it still runs and that the copy is free: the loan was counted and paid for when it was made.
 */
final class UndoDecision
{
    /**
     * @param  Licence  $licence  the loan's
     * @param  int|null  $openLoanId  a loan of this title that is open on the card by now
     * @param  int|null  $holdId  a hold on this title that the card has by now
     */
    public static function decide(
        CardStanding $card,
        LoanTerms $terms,
        Audience $titleAudience,
        Licence $licence,
        ?int $openLoanId,
        ?int $holdId,
        DateTimeImmutable $now,
    ): ?Refused {
        $ended = $licence->endsAt !== null && $licence->endsAt <= $now;

        return BorrowDecision::ofCard($card, $terms, $titleAudience, $now) ??
            match (true) {
                $openLoanId !== null => new Refused(Refusal::AlreadyOnLoan),
                $holdId !== null => new Refused(Refusal::AlreadyHeld),
                $ended => new Refused(Refusal::LicenceEnded),
                $licence->copiesFree === 0 => new Refused(Refusal::NoCopyFree),
                default => BorrowDecision::atLimit($card, $terms),
            };
    }
}
