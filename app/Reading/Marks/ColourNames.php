<?php

declare(strict_types=1);

namespace App\Reading\Marks;

use App\Models\Person;
use FigPorch\Core\Reading\Colour;

/** What the colours of highlights are called: by a name of one's own, else as they look. */
final class ColourNames
{
    /** Letters. */
    public const LONGEST = 40;

    /** @return array<string, string> by colour */
    public static function of(?Person $person): array
    {
        return [...self::usual(), ...$person->colour_names ?? []];
    }

    /** @return array<string, string> */
    public static function usual(): array
    {
        return (array) __('reader.colours');
    }

    /** @param  array<string, string|null>  $names  by colour; without a name it is called as it looks again */
    public static function keep(Person $person, array $names): void
    {
        $kept = [];
        foreach (Colour::cases() as $colour) {
            $name = trim((string) preg_replace('/\s+/u', ' ', (string) ($names[$colour->value] ?? '')));
            if ($name !== '' && $name !== self::usual()[$colour->value]) {
                $kept[$colour->value] = mb_substr($name, 0, self::LONGEST);
            }
        }
        $person->update(['colour_names' => $kept === [] ? null : $kept]);
    }
}
