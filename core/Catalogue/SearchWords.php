<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue;

use Normalizer;

/** Text as the word search sees it: no case, no accents, words parted by spaces. */
final class SearchWords
{
    /** Folds text for the index: "Café de São João" becomes "cafe de sao joao". */
    public static function fold(string $text): string
    {
        $decomposed = Normalizer::normalize($text, Normalizer::FORM_KD);
        $bare = (string) preg_replace('/\p{Mn}+/u', '', is_string($decomposed) ? $decomposed : $text);
        $words = (string) preg_replace('/[^\p{L}\p{N}]+/u', ' ', $bare);

        return trim(mb_strtolower($words));
    }

    /**
     * The words of a query, each once.
     *
     * @return list<string>
     */
    public static function of(string $query): array
    {
        $folded = self::fold(mb_substr($query, 0, 400));

        return $folded === '' ? [] : array_values(array_unique(array_slice(explode(' ', $folded), 0, 24)));
    }

    /** A word without its plain English or Spanish plural ending, so that "lamps" finds "lamp". */
    public static function singular(string $word): string
    {
        return match (true) {
            mb_strlen($word) < 4 => $word,
            str_ends_with($word, 'ies') && mb_strlen($word) > 4 => mb_substr($word, 0, -3).'y',
            (bool) preg_match('/(s|x|z|ch|sh)es$/', $word) => mb_substr($word, 0, -2),
            str_ends_with($word, 's') && ! preg_match('/(ss|us|is)$/', $word) => mb_substr($word, 0, -1),
            default => $word,
        };
    }

    /** What the index stores for a text: every word folded and in the singular. */
    public static function index(string $text): string
    {
        return implode(' ', array_map(self::singular(...), explode(' ', self::fold($text))));
    }
}
