<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Query;

/** At least one of its parts. */
final readonly class Any implements Node
{
    /** @param  non-empty-list<Node>  $parts */
    public function __construct(public array $parts) {}

    public function text(): string
    {
        return implode(' OR ', array_map(fn(Node $part): string => $part->text(), $this->parts));
    }
}
