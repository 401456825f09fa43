<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Query;

/** Takes what was typed apart: words, quotes, brackets, and the names of fields that something follows. */
final class Lexer
{
    /** @return list<array{string, string}> kind (open, close, minus, field, quoted or word) and text */
    public static function tokens(string $typed): array
    {
        // Quotes as keyboards and programs make them.
        $typed = strtr($typed, ['“' => '"', '”' => '"', '„' => '"', '«' => '"', '»' => '"']);
        preg_match_all(
            '/\G\s*(?:(?<open>-?\()|(?<close>\))|(?<minus>-(?=[\p{L}\p{N}"]))|' .
                '(?<field>[A-Za-z]+):(?=[\p{L}\p{N}"(-])|(?<quoted>"[^"]*"?)|(?<word>[^\s()"]+))/u',
            $typed,
            $found,
            PREG_SET_ORDER | PREG_UNMATCHED_AS_NULL,
        );
        $tokens = [];
        foreach ($found as $token) {
            foreach (['open', 'close', 'minus', 'field', 'quoted', 'word'] as $kind) {
                if (($token[$kind] ?? null) !== null) {
                    $tokens[] = [$kind, $token[$kind]];
                }
            }
        }

        return $tokens;
    }
}
