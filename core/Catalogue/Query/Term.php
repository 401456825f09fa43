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
}
