<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Counter;

/** A title as reports name it. */
final readonly class Item
{
    /**
     * @param  int  $id  of the title
     * @param  string  $year  of publication, four digits; 0001 where it is not known
     * @param  list<string>  $authors
     * @param  string|null  $published  ISO 8601, as exactly as it is known
     * @param  array{int, string}|null  $serial  the number and name of what it is an issue of
     */
    public function __construct(
        public int $id,
        public string $name,
        public DataType $dataType,
        public ?string $publisher,
        public string $year,
        public ?string $isbn,
        public ?string $issn,
        public string $address,
        public array $authors = [],
        public ?string $published = null,
        public ?array $serial = null,
    ) {}
}
