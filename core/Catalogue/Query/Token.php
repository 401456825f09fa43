<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Query;

/** A piece of what was typed. */
final readonly class Token
{
    /** @param  int  $at  its place, in characters from 0 */
    public function __construct(public TokenKind $kind, public string $text, public int $at) {}

    /** A word in capitals that is more than a word: OR, AND, NOT. */
    public function isOperator(string $operator): bool
    {
        return $this->kind === TokenKind::Word && $this->text === $operator;
    }
}
