<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Query;

/** Not what its part asks for. */
final readonly class Not implements Node
{
    public function __construct(public Node $part) {}

    public function text(): string
    {
        return $this->part instanceof All || $this->part instanceof Any
            ? "-({$this->part->text()})"
            : "-{$this->part->text()}";
    }
}
