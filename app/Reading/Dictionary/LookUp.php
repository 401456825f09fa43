<?php

declare(strict_types=1);

namespace App\Reading\Dictionary;

use FigPorch\Core\Reading\Dictionary\DictdFile;
use FigPorch\Core\Reading\Dictionary\Forms;

/** A word in the dictionaries of its language that this machine has. */
final class LookUp
{
    /** @return array{word: string, entries: list<string>}|null null where there is no dictionary of the language */
    public function of(string $text, string $language): ?array
    {
        $language = strtolower(strtok($language, '-') ?: '');
        $path = config("figporch.dictionaries.{$language}");
        $dictionary = is_string($path) ? new DictdFile($path) : null;
        if ($dictionary === null || !$dictionary->isThere()) {
            return null;
        }
        $forms = Forms::of($text, $language);
        foreach ($forms as $form) {
            $entries = $dictionary->entries($form);
            if ($entries !== []) {
                return ['word' => $form, 'entries' => $entries];
            }
        }

        return ['word' => $forms[0] ?? trim($text), 'entries' => []];
    }
}
