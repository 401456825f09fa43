<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Query;

use FigPorch\Core\Catalogue\Identifier;
use FigPorch\Core\Catalogue\SearchWords;

/** A row of a form that makes a query: words, how they are looked for, and where. */
final readonly class Clause
{
    /** @param  Field|null  $field  of words; null for anywhere */
    public function __construct(
        public string $words,
        public ?Field $field = null,
        public Matching $matching = Matching::All,
        public Joined $joined = Joined::And,
    ) {}

    /** What it asks for by itself, however it is joined; null for nothing. */
    public function node(): ?Node
    {
        $number = $this->field === Field::Isbn ? Identifier::parse(trim($this->words)) : null;
        if ($number !== null) {
            return new Term([$number->number], $this->field);
        }
        $words = SearchWords::of($this->words);
        if ($words === []) {
            return null;
        }
        if ($this->matching === Matching::InARow) {
            // A word may stand twice in a row of them.
            return new Term(explode(' ', SearchWords::fold($this->words)), $this->field, exact: true);
        }
        $terms = array_map(
            fn(string $word): Term => new Term([$word], $this->field, begins: $this->matching === Matching::Beginnings),
            $words,
        );

        return match (true) {
            count($terms) === 1 => $terms[0],
            $this->matching === Matching::Any => new Any($terms),
            default => new All($terms),
        };
    }

    /** The clause that asks for just this; null where none can. */
    public static function of(Node $node, Joined $joined = Joined::And): ?self
    {
        return $node->visit(
            all: fn(All $all): ?self => self::ofTerms($all->parts, Matching::All, $joined),
            any: fn(Any $any): ?self => self::ofTerms($any->parts, Matching::Any, $joined),
            not: fn(Not $not): ?self => null,
            range: fn(Range $range): ?self => null,
            term: fn(Term $term): ?self => $term->exact
                ? new self(implode(' ', $term->words), $term->field, Matching::InARow, $joined)
                : self::ofTerms([$term], Matching::All, $joined),
        );
    }

    /** @param  list<Node>  $terms  of one field each with one word */
    private static function ofTerms(array $terms, Matching $matching, Joined $joined): ?self
    {
        $words = $fields = $begins = [];
        foreach ($terms as $term) {
            if (!($term instanceof Term) || $term->exact || count($term->words) > 1) {
                return null;
            }
            $words[] = $term->words[0];
            $fields[$term->field->value ?? ''] = $term->field;
            $begins[(int) $term->begins] = true;
        }
        if (count($fields) > 1 || count($begins) > 1 || ($begins === [1 => true] && $matching === Matching::Any)) {
            return null;
        }

        return new self(
            implode(' ', $words),
            reset($fields) ?: null,
            $begins === [1 => true] ? Matching::Beginnings : $matching,
            $joined,
        );
    }
}
