<?php

declare(strict_types=1);

namespace Tests\Core\Lending;

use DateTimeImmutable;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\CardStanding;
use FigPorch\Core\Lending\Licence;
use FigPorch\Core\Lending\LicenceModel;
use FigPorch\Core\Lending\LoanTerms;

/** Short ways to write the values of lending tests; the clock stands at noon on 1 May 2026. */
trait Lending
{
    private static function now(string $modify = '+0 days'): DateTimeImmutable
    {
        return (new DateTimeImmutable('2026-05-01 12:00:00+00:00'))->modify($modify);
    }

    private static function licence(
        LicenceModel $model,
        int $id = 1,
        ?int $copies = 1,
        ?int $free = 1,
        ?int $left = null,
        ?string $ends = null,
        string $starts = '-1 year',
        int $library = 1,
        bool $onOrder = false,
    ): Licence {
        $hasCopies = $model->hasCopies();

        return new Licence(
            id: $id,
            libraryId: $library,
            model: $model,
            copies: $hasCopies ? $copies : null,
            copiesFree: $hasCopies ? $free : null,
            loansLeft: $model->countsLoans() || $model === LicenceModel::PayPerLoan ? $left ?? 10 : null,
            startsAt: self::now($starts),
            endsAt: $ends === null ? null : self::now($ends),
            onOrder: $onOrder,
        );
    }

    private static function card(
        int $loans = 0,
        int $holds = 0,
        bool $blocked = false,
        ?string $expires = '+1 year',
    ): CardStanding {
        return new CardStanding(
            id: 1,
            libraryId: 1,
            blocked: $blocked,
            expiresAt: $expires === null ? null : self::now($expires),
            loansOpen: $loans,
            loansOpenOfFormat: $loans,
            holdsOpen: $holds,
            holdsOpenOfFormat: $holds,
        );
    }

    private static function terms(): LoanTerms
    {
        return LoanTerms::from([], 'adult', Format::Ebook);
    }
}
