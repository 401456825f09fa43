<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Onix;

use FigPorch\Core\Catalogue\Price;

/** A part of a record that a publisher changes (List 1: 04), of a title that is known by its number. */
final readonly class OnixUpdate
{
    /**
     * @param  string  $key  of the record
     * @param  array<string, string>  $texts  by field of RecordText, of the blocks that came
     * @param  list<Price>  $prices
     */
    public function __construct(
        public string $key,
        public array $texts,
        public array $prices,
        public ?string $availableFrom,
    ) {}
}
