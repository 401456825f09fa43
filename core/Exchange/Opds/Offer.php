<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Opds;

use FigPorch\Core\Catalogue\Record;

/**
 * A publication that a supplier's feed offers, and if it says, at what price, and at which address it is bought, which
 * may be relative to that of the page.
 */
final readonly class Offer
{
    public function __construct(
        public Record $record,
        public ?int $priceCents,
        public ?string $currency,
        public ?string $buyAt = null,
    ) {}
}
