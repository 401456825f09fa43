<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Level;

/** Syllables of an English word: groups of vowels, with what is silent taken away and what is parted added. */
final class Syllables
{
    public static function of(string $word): int
    {
        $word = strtolower((string) preg_replace("/['’].*$/u", '', self::bare($word)));
        if (strlen($word) < 3) {
            return $word === '' ? 1 : max(1, (int) preg_match_all('/[aeiouy]+/', $word));
        }
        $count = (int) preg_match_all('/[aeiouy]+/', $word);
        // A silent e: "late", "named", "times"; not in "table", "wanted", "houses".
        if (preg_match('/[^aeiouy]e$/', $word) === 1 && preg_match('/[^aeiouyl]le$/', $word) !== 1) {
            $count--;
        } elseif (preg_match('/[^aeiouytd]ed$/', $word) === 1 && preg_match('/[^aeiouyl]led$/', $word) !== 1) {
            $count--;
        } elseif (preg_match('/[^aeiouyscxzgh]es$/', $word) === 1 || preg_match('/[^sc]hes$/', $word) === 1) {
            $count -= preg_match('/[^aeiouyl]les$/', $word) === 1 ? 0 : 1;
        }
        // A silent e inside: "lonely", "statement", "careful", "something".
        if (
            preg_match(
                '/[aeiouy][^aeiouyl]e(?:ly|ment|ful|less|ness|some|thing|where|time|body|one|side)(?:s|ly)?$/',
                $word,
            ) === 1
        ) {
            $count--;
        }
        // Vowels that stand apart: "lion", "create", "idea", "radio", "being", "chaos".
        $count += (int) preg_match_all(
            '/i(?:a(?!ge|l\b)|o(?!us|n(?:s|al|ed|ing|ist)?$)|um|et)|(?:[^q]|^)u(?:a(?!r[ed])|ous|ity)|' .
                'eo(?!us|n$|p)|[^b]ea(?:t(?:e|i|or)|l[im])|' .
                'ying|eing|uing|oing|[td]ion(?=a)|aos|oem|oet/',
            $word,
        );
        if (preg_match('/[^aeiouy](?:sm|thm)s?$/', $word) === 1 || preg_match('/(?:is|as|th)m(?:s)?$/', $word) === 1) {
            $count++;
        }

        return max(1, $count);
    }

    private static function bare(string $word): string
    {
        $decomposed = \Normalizer::normalize($word, \Normalizer::FORM_KD);

        return (string) preg_replace('/\p{Mn}+/u', '', is_string($decomposed) ? $decomposed : $word);
    }
}
