<?php

declare(strict_types=1);

namespace App\Shared;

use DateTimeImmutable;
use Illuminate\Http\Request;

/** What a request says, as text: a list where a word belongs counts as nothing said. */
final class Input
{
    public static function text(Request $request, string $name): string
    {
        $value = $request->input($name);

        return is_string($value) ? trim(mb_scrub($value)) : '';
    }

    /** @return list<string> what is ticked of several */
    public static function ticked(Request $request, string $name): array
    {
        return array_values(array_filter((array) $request->input($name), is_string(...)));
    }

    /** @return array<string, string> what a field holds that is a query string itself, such as a search */
    public static function query(Request $request, string $name): array
    {
        $asked = [];
        parse_str(self::text($request, $name), $asked);

        return array_filter(
            $asked,
            fn(mixed $value, int|string $name): bool => is_string($value) && is_string($name),
            ARRAY_FILTER_USE_BOTH,
        );
    }

    /** @return string|null a day of the calendar, "2026-12-24"; null for what is none, or lies beyond any plan */
    public static function day(Request $request, string $name): ?string
    {
        $text = self::text($request, $name);
        $day = DateTimeImmutable::createFromFormat('!Y-m-d', $text);

        return $day !== false && $day->format('Y-m-d') === $text && $text >= '1900' && $text < '2200' ? $text : null;
    }
}
