<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

use DateTimeImmutable;
use FigPorch\Core\Catalogue\Audience;

/** May this card ask its library to get this title? Null means yes. */
final class RequestDecision
{
    /** Open requests of one card: staff read them all. */
    public const MOST = 20;

    /**
     * @param  Audience|null  $titleAudience  null for a title that nobody here knows
     * @param  list<Licence>  $licences  those of the title that this card's library can use
     * @param  int  $open  requests of the card that wait for an answer, without one for this title
     */
    public static function refusal(
        CardStanding $card,
        LoanTerms $terms,
        ?Audience $titleAudience,
        array $licences,
        int $open,
        DateTimeImmutable $now,
    ): ?Refused {
        foreach ($licences as $licence) {
            if ($licence->hasFuture($now)) {
                return new Refused(Refusal::HeldHere);
            }
        }

        return $card->refusal($now) ??
            (($titleAudience === null || $terms->audienceCeiling->covers($titleAudience)
                ? null
                : new Refused(Refusal::AboveAudience)) ??
                ($open >= self::MOST ? new Refused(Refusal::RequestLimit, limit: self::MOST) : null));
    }
}
