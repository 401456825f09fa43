<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Query;

/** Parts that stand together. */
abstract readonly class Several implements Node
{
    /** @param  non-empty-list<Node>  $parts */
    final public function __construct(public array $parts) {}

    public function in(Field $field): static
    {
        return new static(array_map(fn(Node $part): Node => $part->in($field), $this->parts));
    }

    public function terms(): array
    {
        return array_merge(...array_map(fn(Node $part): array => $part->terms(), $this->parts));
    }
}
