<?php

declare(strict_types=1);

namespace App\Catalogue\Suggestions;

use Illuminate\Support\Facades\DB;

/** The word of the records that one which is in none was meant to be. */
final class Spelling
{
    /** Letters that may be wrong, missing or too many; two that have changed places are two. */
    private const SLIPS = 2;

    /** Shorter words are like too many others. */
    public const SHORTEST = 4;

    /** Longer ones are not kept (search_words.word). */
    private const LONGEST = 40;

    /**
     * @param  string  $word  folded, as SearchWords gives it
     * @param  bool  $begins  it may be the beginning of a longer word
     */
    public static function of(string $word, bool $begins = false): ?string
    {
        if (mb_strlen($word) < self::SHORTEST || mb_strlen($word) > self::LONGEST) {
            return null;
        }

        $better = DB::scalar('select spelled_like(?, ?, ?)', [$word, $begins, self::SLIPS]);

        return is_string($better) ? $better : null;
    }
}
