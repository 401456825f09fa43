<?php

declare(strict_types=1);

namespace App\Queries\Catalogue;

use Illuminate\Support\Facades\DB;

/** The word of the records that one which is in none was meant to be. */
final class Spelling
{
    /** Letters that may be wrong, missing or too many; two that have changed places are two. */
    private const SLIPS = 2;

    /** Shorter words are like too many others. */
    public const SHORTEST = 4;

    /**
     * @param  string  $word  folded, as SearchWords gives it
     * @param  bool  $begins  it may be the beginning of a longer word
     */
    public static function of(string $word, bool $begins = false): ?string
    {
        if (mb_strlen($word) < self::SHORTEST) {
            return null;
        }

        // One slip, which is most of them; by the trigrams only what is further off.
        return self::best('one_left_out(word) && one_left_out(?)', 'word', $word)
            ?? self::best('word % ?', $begins ? 'left(word, length(?))' : 'word', $word);
    }

    /** @param  string  $compared  what of a known word is held against this one */
    private static function best(string $condition, string $compared, string $word): ?string
    {
        $sql = "select word from search_words where {$condition} and levenshtein({$compared}, ?) <= ? order by levenshtein({$compared}, ?), similarity(word, ?) desc, titles desc, word limit 1";
        $again = str_contains($compared, '?') ? [$word] : [];
        $better = DB::scalar($sql, [$word, ...$again, $word, self::SLIPS, ...$again, $word, $word]);

        return is_string($better) ? $better : null;
    }
}
