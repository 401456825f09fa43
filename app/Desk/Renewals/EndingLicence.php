<?php

declare(strict_types=1);

namespace App\Desk\Renewals;

use App\Models\Title;
use DateTimeImmutable;
use FigPorch\Core\Desk\OfferValue;
use FigPorch\Core\Lending\LicenceModel;

/** A licence that ends, with what it was used for and what the same again would give. */
final readonly class EndingLicence
{
    /**
     * @param  int  $lent  loans under it so far
     * @param  int  $waiting  holds in the title's line
     * @param  float|null  $centsPerLoan  so far; null where there was no loan or no price
     * @param  OfferValue|null  $renewed  the same again for as long; null where it had no price
     * @param  bool  $ordered  another licence of the title is to be ordered or on its way
     */
    public function __construct(
        public int $id,
        public Title $title,
        public LicenceModel $model,
        public ?int $copies,
        public ?int $loansBought,
        public ?int $loansLeft,
        public int $priceCents,
        public DateTimeImmutable $startsAt,
        public DateTimeImmutable $endsAt,
        public int $lent,
        public int $waiting,
        public ?float $centsPerLoan,
        public ?OfferValue $renewed,
        public bool $ordered,
    ) {}
}
