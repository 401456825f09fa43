<?php

declare(strict_types=1);

namespace App\Desk\Figures;

use App\Models\Library;
use App\Shared\Sql;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;
use IntlDateFormatter;

/** How rows of a year's figures are asked for: its days, its moments, its months. */
final class YearRows
{
    /**
     * @param  callable(int): array<int|string, int>  $of  by month, of a year
     * @return list<SeriesRow>
     */
    public static function byMonth(int $year, callable $of, ?string $link = null): array
    {
        [$now, $before] = [$of($year), $of($year - 1)];
        $name = new IntlDateFormatter(app()->getLocale(), pattern: 'LLL', timezone: 'UTC');

        return array_map(
            fn(int $month): SeriesRow => new SeriesRow(
                (string) $name->format(new DateTimeImmutable(sprintf('%d-%02d-15 UTC', $year, $month))),
                $now[$month] ?? 0,
                $before[$month] ?? 0,
                $link,
            ),
            range(1, 12),
        );
    }

    /**
     * @param  list<mixed>  $values
     * @return array<int|string, int> by label
     */
    public static function counts(string $sql, array $values): array
    {
        return array_map(intval(...), array_column(DB::select($sql, $values), 'n', 'label'));
    }

    /** @return array{string, string} the first days of a year and of the next */
    public static function span(int $year): array
    {
        return ["{$year}-01-01", $year + 1 . '-01-01'];
    }

    /** @return array{string, string} the moments at which a year and the next begin at the library */
    public static function moments(Library $library, int $year): array
    {
        return array_map(
            fn(string $day): string => Sql::second(new DateTimeImmutable("{$day} 00:00", $library->zone())),
            self::span($year),
        );
    }
}
