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
        // Scripts that do not part their words are sought sign by sign.
        $signs = (string) preg_replace('/[\p{Han}\p{Hiragana}\p{Katakana}]/u', ' $0 ', $bare);
        $words = (string) preg_replace('/[^\p{L}\p{N}]+/u', ' ', $signs);

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
}
