<?php

declare(strict_types=1);

namespace App\Desk\CardImport;

use App\Models\CardImportRow;
use App\Shared\View\Dates;
use DateTimeImmutable;
use DateTimeZone;

/** What a row changes, in words. */
final class ImportText
{
    /** @return list<string> "Class: 7b → 8b" */
    public static function changes(CardImportRow $row, DateTimeZone $zone): array
    {
        $texts = [];
        foreach ($row->changes ?? [] as $field => [$before, $after]) {
            $value = fn(?string $of): string => match (true) {
                $of === null => $field === 'expires_at' ? __('desk.no_end') : __('trail.nothing'),
                $field === 'expires_at' => Dates::day(new DateTimeImmutable($of), $zone),
                default => $of,
            };
            $texts[] = __("card_import.fields.{$field}") . ': ' . $value($before) . ' → ' . $value($after);
        }

        return $texts;
    }
}
