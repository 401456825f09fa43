<?php

declare(strict_types=1);

namespace App\Reading\Dictionary;

/** Entries of a dictionary, which are lines of a fixed width, as paragraphs. */
final class DictionaryEntry
{
    /**
     * @param  list<string>  $entries
     * @return list<string> a line for each sense
     */
    public static function senses(array $entries): array
    {
        $lines = [];
        foreach ($entries as $entry) {
            // The first line repeats the word.
            foreach (array_slice(preg_split('/\R/u', trim($entry)) ?: [], 1) as $line) {
                $text = str_replace(['{', '}'], '', trim($line));
                if ($text === '') {
                    continue;
                }
                if ($lines === [] || preg_match('/^(?:(?:n|v|adj|adv)\b.*|\d+\.?): ?|^\d+\. /', $text) === 1) {
                    $lines[] = $text;
                } else {
                    $lines[array_key_last($lines)] .= ' ' . $text;
                }
            }
        }

        return $lines;
    }
}
