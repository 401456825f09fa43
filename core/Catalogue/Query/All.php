<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Query;

/** Every one of its parts. */
final readonly class All extends Several
{
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

    public function visit(callable $all, callable $any, callable $not, callable $range, callable $term): mixed
    {
        return $all($this);
    }
}
