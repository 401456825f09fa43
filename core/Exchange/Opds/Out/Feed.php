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
     * @param  list<Link>  $navigation  each with a title
     * @param  list<Publication>  $publications
     * @param  list<FacetGroup>  $facets
     * @param  array{total: int, page: int, pages: int, perPage: int}|null  $paging
     */
    public function __construct(
        public string $id,
        public string $title,
        public DateTimeImmutable $modified,
        public array $links = [],
        public array $navigation = [],
        public array $publications = [],
        public array $facets = [],
        public ?array $paging = null,
    ) {}

    /** Of places to go to, and of nothing else. */
    public function isNavigation(): bool
    {
        return $this->navigation !== [];
    }
}
