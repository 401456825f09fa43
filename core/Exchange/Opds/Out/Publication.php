<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Opds\Out;

use DateTimeImmutable;
use FigPorch\Core\Catalogue\Record;

/** A title in a catalogue: its record, and what can be done with it. */
final readonly class Publication
{
    /**
     * @param  string  $id  an address that is its own for ever
     * @param  list<Link>  $links
     * @param  list<Link>  $images
     */
    public function __construct(
        public string $id,
        public Record $record,
        public DateTimeImmutable $modified,
        public array $links,
        public array $images = [],
    ) {}
}
