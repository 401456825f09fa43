<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Opds\Out;

use DateTimeImmutable;

/** A page of a catalogue: places to go to, or publications. */
final readonly class Feed
{
    /**
     * @param  string  $id  its own address
     * @param  list<Link>  $links
     * @param  list<Link>|null  $navigation  each with a title; null of a feed that has publications, be it none
     * @param  list<Publication>  $publications
     * @param  list<FacetGroup>  $facets
     * @param  array{total: int, page: int, pages: int, perPage: int}|null  $paging
     */
    public function __construct(
        public string $id,
        public string $title,
        public DateTimeImmutable $modified,
        public array $links = [],
        public ?array $navigation = null,
        public array $publications = [],
        public array $facets = [],
        public ?array $paging = null,
    ) {}
}
