<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Marc;

/** A field of a MARC 21 record: one value, or two indicators and subfields. */
final readonly class MarcField
{
    /**
     * @param  string  $tag  three digits
     * @param  list<array{string, string}>  $subfields  code and value, in order; of a control field none
     * @param  string|null  $value  of a control field
     */
    public function __construct(
        public string $tag,
        public array $subfields = [],
        public string $first = ' ',
        public string $second = ' ',
        public ?string $value = null,
    ) {}

    public static function control(string $tag, string $value): self
    {
        return new self($tag, value: $value);
    }

    /** Of the subfields given by their codes, those that are null are left out. */
    public static function of(string $tag, string $indicators, ?string ...$values): self
    {
        $subfields = [];
        foreach ($values as $code => $value) {
            $value === null || ($subfields[] = [(string) $code, $value]);
        }

        return new self($tag, $subfields, $indicators[0], $indicators[1]);
    }

    /** The first of a code, trimmed. */
    public function get(string $code): ?string
    {
        return $this->all($code)[0] ?? null;
    }

    /** @return list<string> of some codes, in order, without empty ones */
    public function all(string $codes): array
    {
        $values = [];
        foreach ($this->subfields as [$code, $value]) {
            if (str_contains($codes, $code) && trim($value) !== '') {
                $values[] = trim($value);
            }
        }

        return $values;
    }

    /** @param  callable(string): string  $change  of each value */
    public function changed(callable $change): self
    {
        return new self(
            $this->tag,
            array_map(fn(array $of): array => [$of[0], $change($of[1])], $this->subfields),
            $this->first,
            $this->second,
            $this->value,
        );
    }
}
