<?php

declare(strict_types=1);

namespace App\Lending\Holdings;

use App\Models\Holding;
use App\Models\Link;

/** Where a title stands, in words: never by a picture alone. */
final class ElsewhereText
{
    /** "On paper at Saltmere, 599.2 GUL", and where else */
    public static function short(Elsewhere $of): string
    {
        $first = $of->holdings[0] ?? ($of->websites()[0] ?? null);
        $more = count($of->holdings) - 1;

        return match (true) {
            $first === null => __('holdings.nowhere'),
            $first instanceof Link => self::link($first),
            default => self::holding($first) . ($more > 0 ? ' ' . trans_choice('holdings.more', $more) : ''),
        };
    }

    /** "On paper at Saltmere, Upstairs, 599.2 GUL" */
    public static function holding(Holding $of): string
    {
        return __('holdings.on_paper', ['library' => $of->library->short_name]) .
            ', ' .
            implode(', ', array_filter([$of->place, $of->call_number], fn(string $part): bool => $part !== ''));
    }

    /** "Website, open to everybody" */
    public static function link(Link $of): string
    {
        return __("holdings.open_to.{$of->open_to->value}", ['library' => $of->library->short_name]);
    }
}
