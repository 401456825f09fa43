<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Query;

/** A number from, to, or between; both ends belong to it. */
final readonly class Range implements Node
{
    public function __construct(public Field $field, public ?float $from, public ?float $to) {}

    /** As typed: 2015, 2015-2020, 2015- or -2020, in either order, >2015 or <=2015; null where it is none of these. */
    public static function read(Field $field, string $typed): ?self
    {
        $number = '\d{1,4}(?:\.\d)?';
        if (preg_match("/^([<>])(=?)({$number})$/", $typed, $m) === 1) {
            $step = $m[2] === '=' ? 0.0 : ($field === Field::Year ? 1.0 : 0.1);
            $end = (float) $m[3];

            return $m[1] === '>' ? new self($field, $end + $step, null) : new self($field, null, $end - $step);
        }
        if (preg_match("/^({$number})?(-|–|\\.\\.)?({$number})?$/u", $typed, $m, PREG_UNMATCHED_AS_NULL) !== 1) {
            return null;
        }
        $from = $m[1] ?? null;
        $to = ($m[2] ?? null) === null ? $from : $m[3] ?? null;
        if ($from === null && $to === null) {
            return null;
        }
        [$from, $to] = [$from === null ? null : (float) $from, $to === null ? null : (float) $to];

        return $from !== null && $to !== null && $from > $to
            ? new self($field, $to, $from)
            : new self($field, $from, $to);
    }

    public function text(): string
    {
        return "{$this->field->value}:" . ($this->from === $this->to ? $this->from : "{$this->from}-{$this->to}");
    }

    /** A range is of its own field. */
    public function in(Field $field): self
    {
        return $this;
    }

    public function terms(): array
    {
        return [];
    }

    public function visit(callable $all, callable $any, callable $not, callable $range, callable $term): mixed
    {
        return $range($this);
    }
}
