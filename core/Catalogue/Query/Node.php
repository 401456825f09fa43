<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Query;

/** A part of a query, as a tree. */
interface Node
{
    /** As it would be typed, so that it reads back as the same tree. */
    public function text(): string;

    /** The same, with its words looked for in a field where they are looked for in none yet. */
    public function in(Field $field): self;

    /** @return list<Term> what is looked for in it, but not what is ruled out */
    public function terms(): array;

    /**
     * The visitor: makes something of a part according to its kind. Who visits has to say what of each kind there is.
     *
     * @template T
     *
     * @param  callable(All): T  $all
     * @param  callable(Any): T  $any
     * @param  callable(Not): T  $not
     * @param  callable(Range): T  $range
     * @param  callable(Term): T  $term
     * @return T
     */
    public function visit(callable $all, callable $any, callable $not, callable $range, callable $term): mixed;
}
