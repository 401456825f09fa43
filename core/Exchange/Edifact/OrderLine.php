<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Edifact;

/** One line of an order: so many of one thing, at a price each. */
final readonly class OrderLine
{
    /**
     * @param  string  $reference  of the library's own, by which the supplier's answers are found again
     * @param  string|null  $ean  an ISBN or other number of 13 digits; null where the title has none
     * @param  string  $terms  of the licence, in words
     */
    public function __construct(
        public string $reference,
        public ?string $ean,
        public string $name,
        public string $people,
        public string $publisher,
        public string $terms,
        public int $quantity,
        public int $unitCents,
    ) {}
}
