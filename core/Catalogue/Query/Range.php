<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Query;

/** A number from, to, or between; both ends belong to it. */
final readonly class Range implements Node
{
    public function __construct(public Field $field, public ?float $from, public ?float $to)
    {
    }

    public function text(): string
    {
        return "{$this->field->value}:".($this->from === $this->to ? $this->from : "{$this->from}-{$this->to}");
    }
}
