<?php

declare(strict_types=1);

namespace App\Reading\Dictionary;

use App\Shared\Input;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** A word that was met in reading. */
final class DictionaryController
{
    public function __invoke(Request $request, LookUp $lookUp): View
    {
        $word = mb_substr(Input::text($request, 'word'), 0, 100);
        $found = $lookUp->of($word, mb_substr(Input::text($request, 'language'), 0, 20));

        return view('reading.dictionary.dictionary', [
            'word' => $found['word'] ?? $word,
            'known' => $found !== null,
            'senses' => DictionaryEntry::senses($found['entries'] ?? []),
        ]);
    }
}
