<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Query;

/** Every one of its parts. */
final readonly class All implements Node
{
    /** @param  non-empty-list<Node>  $parts */
    public function __construct(public array $parts) {}

    public function text(): string
    {
        return implode(
            ' ',
            array_map(
                fn(Node $part): string => $part instanceof Any ? "({$part->text()})" : $part->text(),
                $this->parts,
            ),
        );
    }
}
