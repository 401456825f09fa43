<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Query;

/** Takes what was typed apart: words, quotes, brackets, and the names of fields that something follows. */
final class Lexer
{
    /** Quotes as keyboards and programs make them, each a character as the plain one is. */
    private const QUOTES = ['“' => '"', '”' => '"', '„' => '"', '«' => '"', '»' => '"'];

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

        return $tokens;
    }
}
