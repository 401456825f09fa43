<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Query;

/** Not what its part asks for. */
final readonly class Not implements Node
{
    public function __construct(public Node $part) {}

    public function text(): string
    {
        return $this->part instanceof Several ? "-({$this->part->text()})" : "-{$this->part->text()}";
    }

    public function in(Field $field): self
    {
        return new self($this->part->in($field));
    }

    public function terms(): array
    {
        return [];
    }

    public function visit(callable $all, callable $any, callable $not, callable $range, callable $term): mixed
    {
        return $not($this);
    }
}
