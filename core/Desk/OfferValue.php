<?php

declare(strict_types=1);

namespace FigPorch\Core\Desk;

/** What a sum of money brings in one licence model. */
final readonly class OfferValue
{
    /**
     * @param  int  $units  licences bought; for pay per loan, loans
     * @param  float  $loans  expected before the licence ends, or before the end of the time looked at
     * @param  float|null  $centsPerLoan  null where no loan is expected
     */
    public function __construct(
        public Offer $offer,
        public int $units,
        public float $loans,
        public ?float $centsPerLoan,
    ) {}
}
