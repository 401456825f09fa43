<?php

declare(strict_types=1);

namespace App\Account\Notices;

use App\Models\Notice;
use App\Shared\View\Dates;
use DateTimeImmutable;
use DateTimeZone;

/** What a notice says: what happened, what it means, what to do next. */
final class NoticeText
{
    public static function subject(Notice $notice): string
    {
        return self::words($notice, 'subject');
    }

    public static function body(Notice $notice): string
    {
        return self::words($notice, 'body');
    }

    private static function words(Notice $notice, string $part): string
    {
        if (isset($notice->facts['forgotten'])) {
            return __("notices.forgotten.{$part}");
        }
        $outcome = isset($notice->facts['outcome']) ? "{$notice->facts['outcome']}_" : '';

        return isset($notice->facts['count'])
            ? trans_choice(
                "notices.{$notice->kind}.{$outcome}{$part}",
                (int) $notice->facts['count'],
                self::facts($notice),
            )
            : __("notices.{$notice->kind}.{$outcome}{$part}", self::facts($notice));
    }

    /** Where a notice leads. */
    public static function address(Notice $notice): string
    {
        if (isset($notice->facts['forgotten'])) {
            return '/loans';
        }

        return (string) ($notice->facts['address'] ?? "/titles/{$notice->facts['title']}");
    }

    /** @return array<string, string> */
    private static function facts(Notice $notice): array
    {
        $facts = $notice->facts;
        foreach (array_intersect(['kept_until', 'due', 'ends', 'begins'], array_keys($facts)) as $moment) {
            $facts[$moment] = Dates::exact(
                new DateTimeImmutable((string) $facts[$moment]),
                new DateTimeZone((string) ($facts['timezone'] ?? 'UTC')),
            );
        }

        return array_map(strval(...), $facts);
    }
}
