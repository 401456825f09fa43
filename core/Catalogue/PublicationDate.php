<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue;

/** When something was published, as records say it: an ISO 8601 date, or a year and month, or a year. */
final class PublicationDate
{
    /** As much of a text's beginning as makes a date; null where not even a year does. "2019-13-01" is of 2019. */
    public static function read(?string $text): ?string
    {
        preg_match('/^(\d{4})(?:-(\d{2})(?:-(\d{2}))?)?/', (string) $text, $m);

        return match (true) {
            isset($m[3]) && checkdate((int) $m[2], (int) $m[3], max(1, (int) $m[1])) => $m[0],
            isset($m[2]) && $m[2] >= '01' && $m[2] <= '12' => "{$m[1]}-{$m[2]}",
            default => $m[1] ?? null,
        };
    }
}
