<?php

declare(strict_types=1);

namespace FigPorch\Core\Desk;

use FigPorch\Core\Lending\LicenceModel;
use InvalidArgumentException;

/** A licence as it can be bought. */
final readonly class Offer
{
    /**
     * @param  int  $priceCents  of one; for pay per loan, of one loan
     * @param  int|null  $copies  where the model has copies
     * @param  int|null  $loans  where the model counts them
     * @param  float|null  $days  it runs for; null for as long as anyone likes
     */
    public function __construct(
        public LicenceModel $model,
        public int $priceCents,
        public ?int $copies,
        public ?int $loans,
        public ?float $days,
    ) {
        if (
            $priceCents < 1 ||
            ($model->hasCopies() && (int) $copies < 1) ||
            ($model->countsLoans() && (int) $loans < 1)
        ) {
            throw new InvalidArgumentException("An offer of {$model->value} has a price and what its model counts.");
        }
    }
}
