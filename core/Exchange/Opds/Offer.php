<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Opds;

use FigPorch\Core\Catalogue\Record;

/** A publication that a supplier's feed offers, and at what price, if it says. */
final readonly class Offer
{
    public function __construct(public Record $record, public ?int $priceCents, public ?string $currency) {}
}
