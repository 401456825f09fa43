<?php

declare(strict_types=1);

namespace App\View;

use App\Models\Notice;
use DateTimeImmutable;
use DateTimeZone;

/** What a notice says: what happened, what it means, what to do next. */
final class NoticeText
{
    public static function subject(Notice $notice): string
    {
        return __("notices.{$notice->kind}.subject", self::facts($notice));
    }

    public static function body(Notice $notice): string
    {
        return __("notices.{$notice->kind}.body", self::facts($notice));
    }

    /** @return array<string, string> */
    private static function facts(Notice $notice): array
    {
        $facts = $notice->facts;
        foreach (array_intersect(['kept_until', 'due', 'ends'], array_keys($facts)) as $moment) {
            $facts[$moment] = Dates::exact(new DateTimeImmutable((string) $facts[$moment]), new DateTimeZone((string) ($facts['timezone'] ?? 'UTC')));
        }

        return array_map(strval(...), $facts);
    }
}
