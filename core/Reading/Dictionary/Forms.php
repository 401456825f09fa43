<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading\Dictionary;

/** The words under which a dictionary may have a word as it stands in a text. */
final class Forms
{
    /** The rules of detachment of WordNet's morphy(7WN), for nouns, verbs and adjectives. */
    private const ENGLISH = [
        's' => [''],
        'ses' => ['s'],
        'xes' => ['x'],
        'zes' => ['z'],
        'ches' => ['ch'],
        'shes' => ['sh'],
        'men' => ['man'],
        'ies' => ['y'],
        'es' => ['e', ''],
        'ed' => ['e', ''],
        'ing' => ['e', ''],
        'er' => ['', 'e'],
        'est' => ['', 'e'],
    ];

    /** Plurals; common practice, no source. */
    private const SPANISH = ['s' => [''], 'es' => [''], 'ces' => ['z'], 'as' => ['o', 'os'], 'a' => ['o']];

    /** @return list<string> the word itself first */
    public static function of(string $word, string $language): array
    {
        // What a selection takes along: quotation marks, stops, a possessive.
        $word = mb_strtolower(
            trim(
                (string) preg_replace(
                    ['/^[^\p{L}\p{N}]+|[^\p{L}\p{N}]+$/u', '/[’\']s$/u', '/’/u', '/\s+/u'],
                    ['', '', "'", ' '],
                    $word,
                ),
            ),
        );
        if ($word === '') {
            return [];
        }
        $forms = [$word];
        foreach (
            match ($language) {
                'en' => self::ENGLISH,
                'es' => self::SPANISH,
                default => [],
            }
            as $ending => $others
        ) {
            if (!str_ends_with($word, $ending) || mb_strlen($word) < mb_strlen($ending) + 2) {
                continue;
            }
            $stem = substr($word, 0, -strlen($ending));
            array_push($forms, ...array_map(fn(string $other): string => $stem . $other, $others));
            // A consonant that was doubled before the ending: "running".
            if ($language === 'en' && preg_match('/([bcdfgklmnprtvz])\1$/', $stem) === 1) {
                $forms[] = substr($stem, 0, -1);
            }
        }

        return array_values(array_unique($forms));
    }
}
