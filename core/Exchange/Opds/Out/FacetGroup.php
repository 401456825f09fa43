<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Opds\Out;

/** Ways to narrow down a feed, or to order it. */
final readonly class FacetGroup
{
    /** @param  list<Link>  $links  that which is chosen has the relation "self" */
    public function __construct(public string $title, public array $links) {}
}
