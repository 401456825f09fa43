<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Query;

/** Takes what was typed apart: words, quotes, brackets, and the names of fields that something follows. */
final class Lexer
{
    /** Quotes as keyboards and programs make them, each a character as the plain one is. */
    private const QUOTES = ['“' => '"', '”' => '"', '„' => '"', '«' => '"', '»' => '"'];

    /** In Spanish. */
    private const OPERATORS = ['Y' => 'AND', 'O' => 'OR', 'NO' => 'NOT'];

    private const PIECE =
        '/\G\s*(?:(?<open>-?\()|(?<close>\))|(?<minus>-(?=[\p{L}\p{N}"]))|' .
        '(?<field>\p{L}+):(?=[\p{L}\p{N}"(<>-])|(?<quoted>"[^"]*"?)|(?<word>[^\s()"]+))/u';

    /** @return list<Token> */
    public static function tokens(string $typed): array
    {
        $typed = strtr($typed, self::QUOTES);
        preg_match_all(self::PIECE, $typed, $found, PREG_SET_ORDER | PREG_UNMATCHED_AS_NULL | PREG_OFFSET_CAPTURE);
        $tokens = [];
        foreach ($found as $pieces) {
            foreach (TokenKind::cases() as $kind) {
                [$text, $byte] = $pieces[$kind->value];
                if ($text !== null) {
                    $tokens[] = new Token($kind, $text, mb_strlen(substr($typed, 0, $byte)));
                }
            }
        }

        return self::inEnglish($tokens);
    }

    /**
     * A capital Y, O or NO is an operator where something stands before it and what follows is no name and no number:
     * "lobos O perros" are either, "Flann O Brien" is one person, and "GENERATION Y NOVELS" says nothing by its
     * capitals.
     *
     * @param  list<Token>  $tokens
     * @return list<Token>
     */
    private static function inEnglish(array $tokens): array
    {
        foreach ($tokens as $n => $token) {
            $operator = $token->kind === TokenKind::Word ? self::OPERATORS[$token->text] ?? null : null;
            $next = $tokens[$n + 1] ?? null;
            if (
                $operator !== null &&
                $n > 0 &&
                !in_array($tokens[$n - 1]->kind, [TokenKind::Open, TokenKind::Minus, TokenKind::Field], true) &&
                $next !== null &&
                $next->kind !== TokenKind::Close &&
                ($next->kind !== TokenKind::Word ||
                    $next->text === 'NO' ||
                    preg_match('/^[\p{Lu}\p{N}]/u', $next->text) === 0)
            ) {
                $tokens[$n] = new Token($token->kind, $operator, $token->at);
            }
        }

        return $tokens;
    }
}
