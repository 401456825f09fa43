<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Query;

/** At least one of its parts. */
final readonly class Any extends Several
{
    public function text(): string
    {
        return implode(' OR ', array_map(fn(Node $part): string => $part->text(), $this->parts));
    }

    public function visit(callable $all, callable $any, callable $not, callable $range, callable $term): mixed
    {
        return $any($this);
    }
}
