<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Query;

/** A word, the beginning of one, or words in a row. */
final readonly class Term implements Node
{
    /**
     * @param  non-empty-list<string>  $words  folded as the index is: more than one for a phrase
     * @param  bool  $exact  given in quotes: no other form of the word will do
     * @param  bool  $begins  the word begins so
     */
    public function __construct(
        public array $words,
        public ?Field $field = null,
        public bool $exact = false,
        public bool $begins = false,
    ) {}

    public function text(): string
    {
        return ($this->field === null ? '' : "{$this->field->value}:") .
            ($this->exact
                ? '"' . implode(' ', $this->words) . '"'
                : implode('-', $this->words) . ($this->begins ? '*' : ''));
    }

    public function in(Field $field): self
    {
        return $this->field === null ? new self($this->words, $field, $this->exact, $this->begins) : $this;
    }

    public function terms(): array
    {
        return [$this];
    }

    public function visit(callable $all, callable $any, callable $not, callable $range, callable $term): mixed
    {
        return $term($this);
    }

    /** A word, or words in a row, in any form and any field. */
    public function isPlain(): bool
    {
        return $this->field === null && !$this->exact && !$this->begins;
    }

    /** Whether it is looked for anywhere, or in one of some fields. */
    public function isIn(?Field ...$fields): bool
    {
        return in_array($this->field, $fields, true);
    }
}
