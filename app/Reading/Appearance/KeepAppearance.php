<?php

declare(strict_types=1);

namespace App\Reading\Appearance;

use App\Models\Person;

/** Keeps how text shall look to a person; what is not chosen stays as the reader has it. */
final class KeepAppearance
{
    /** As resources/js/reading/reader/appearance.js knows them. */
    public const CHOICES = [
        'size' => ['80', '90', '100', '110', '120', '140', '160', '200'],
        'typeface' => ['book', 'serif', 'clear', 'dyslexic', 'system'],
        'spacing' => ['1.35', '1.55', '1.85'],
        'align' => ['book', 'ragged', 'justified'],
        'letters' => ['normal', 'wide'],
        'styles' => ['book', 'plain'],
        'margins' => ['3', '7', '14'],
        'background' => ['paper', 'sand', 'dusk', 'night'],
        'layout' => ['one', 'two', 'scroll'],
    ];

    /** @param  array<string, string>  $chosen */
    public function __invoke(Person $person, array $chosen): void
    {
        $person->update(['reading' => $chosen === [] ? null : $chosen]);
    }
}
