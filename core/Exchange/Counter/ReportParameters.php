<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Counter;

/** The parameters of a report, as the COUNTER API for Release 5.1 has them (from memory). */
final class ReportParameters
{
    private const CREDENTIALS = ['customer_id', 'requestor_id', 'api_key'];

    private const DATES = ['begin_date', 'end_date'];

    private const LISTS = ['metric_type', 'data_type', 'access_type', 'access_method'];

    private const ACCESS_TYPES = ['Controlled', 'Free_To_Read', 'Open'];

    private const ACCESS_METHODS = ['Regular', 'TDM'];

    private const MOST_MONTHS = 120;

    /**
     * @param  array<string, mixed>  $asked  the parameters
     * @param  string  $ready  the last month of which there may be figures, "2026-10"
     *
     * @throws CounterRefused
     */
    public static function read(string $id, array $asked, string $ready): ReportRequest
    {
        $report = Report::tryFrom(strtoupper($id)) ?? throw new CounterRefused(CounterError::ReportNotSupported, $id);
        [$begin, $end] = [self::month($asked, 'begin_date', '01'), self::month($asked, 'end_date', 't')];
        $months = Month::count($begin, $end);
        if ($months < 1 || $months > self::MOST_MONTHS) {
            throw new CounterRefused(CounterError::InvalidDates, "begin_date={$begin}, end_date={$end}");
        }
        $exceptions = [];
        $known = self::known($report);
        foreach (array_keys($asked) as $name) {
            if (!in_array($name, $known, true)) {
                $exceptions[] = CounterError::ParameterNotRecognized->said((string) $name);
                unset($asked[$name]);
            }
        }
        $filters = [];
        $metrics = self::chosen(
            $asked,
            'metric_type',
            array_map(fn(Metric $of): string => $of->value, $report->metrics()),
            $filters,
            $exceptions,
        );
        $types = self::chosen(
            $asked,
            'data_type',
            array_map(fn(DataType $of): string => $of->value, $report->dataTypes()),
            $filters,
            $exceptions,
        );
        $access = self::chosen($asked, 'access_type', self::ACCESS_TYPES, $filters, $exceptions);
        $methods = self::chosen($asked, 'access_method', self::ACCESS_METHODS, $filters, $exceptions);
        [$years, $badYears] = self::years($asked);
        if ($badYears !== []) {
            $exceptions[] = CounterError::InvalidFilter->said('yop=' . implode('|', $badYears));
        }
        if ($years !== null) {
            $filters['YOP'] = implode('|', array_map(fn(array $of): string => implode('-', array_unique($of)), $years));
        }
        foreach (['item_id' => 'Item_ID', 'platform' => 'Platform', 'database' => 'Database'] as $name => $said) {
            if (self::text($asked, $name) !== '') {
                $filters[$said] = self::text($asked, $name);
            }
        }
        [$shown, $byMonth] = self::shape($report, $asked, $exceptions);

        return new ReportRequest(
            report: $report,
            begin: $begin,
            end: $end,
            ready: $ready,
            metrics: array_values(
                array_filter(
                    $report->metrics(),
                    fn(Metric $of): bool => $metrics === null || in_array($of->value, $metrics, true),
                ),
            ),
            dataTypes: array_values(
                array_filter(
                    $report->dataTypes(),
                    fn(DataType $of): bool => $types === null || in_array($of->value, $types, true),
                ),
            ),
            years: $years,
            shown: $shown,
            byMonth: $byMonth,
            isAnything: ($access === null || in_array(ReportRequest::ACCESS_TYPE, $access, true)) &&
                ($methods === null || in_array(ReportRequest::ACCESS_METHOD, $methods, true)),
            itemId: self::text($asked, 'item_id') ?: null,
            filters: $filters,
            exceptions: [
                ...$exceptions,
                ...$end > $ready
                    ? [CounterError::NotReady->said(max($begin, Month::after($ready)) . ' to ' . $end)]
                    : [],
            ],
        );
    }

    /** @return list<string> */
    private static function known(Report $report): array
    {
        $always = [...self::CREDENTIALS, ...self::DATES, 'platform'];
        if ($report->isView()) {
            return $report->master() === Report::PR ? $always : [...$always, 'item_id'];
        }

        return match ($report) {
            Report::PR => [
                ...$always,
                ...array_diff(self::LISTS, ['access_type']),
                'attributes_to_show',
                'granularity',
            ],
            Report::DR => [
                ...$always,
                ...array_diff(self::LISTS, ['access_type']),
                'database',
                'attributes_to_show',
                'granularity',
            ],
            default => [...$always, ...self::LISTS, 'yop', 'item_id', 'attributes_to_show', 'granularity'],
        };
    }

    /**
     * @param  array<string, mixed>  $asked
     * @param  list<array{Code: int, Message: string, Data?: string}>  $exceptions
     * @return array{list<Attribute>, bool} what is shown, and whether by month
     */
    private static function shape(Report $report, array $asked, array &$exceptions): array
    {
        if ($report->isView()) {
            return [$report->attributes(), true];
        }
        $may = array_map(fn(Attribute $of): string => $of->value, $report->attributes());
        // These are shown always, or not at all.
        [$shown, $bad] = self::among($asked, 'attributes_to_show', [...$may, 'Authors', 'Publication_Date']);
        if ($bad !== []) {
            $exceptions[] = CounterError::InvalidAttribute->said('attributes_to_show=' . implode('|', $bad));
        }
        [$granularity, $bad] = self::among($asked, 'granularity', ['Month', 'Totals']);
        if ($bad !== []) {
            $exceptions[] = CounterError::InvalidAttribute->said('granularity=' . implode('|', $bad));
        }

        return [
            array_values(
                array_filter(
                    $report->attributes(),
                    fn(Attribute $of): bool => in_array($of->value, $shown, true) ||
                        ($of === Attribute::DataType && $report->master() !== Report::DR),
                ),
            ),
            $granularity !== ['Totals'],
        ];
    }

    /**
     * @param  array<string, mixed>  $asked
     * @param  list<string>  $all
     * @param  array<string, string>  $filters
     * @param  list<array{Code: int, Message: string, Data?: string}>  $exceptions
     * @return list<string>|null null where nothing, or nothing that there is, is asked for
     */
    private static function chosen(array $asked, string $name, array $all, array &$filters, array &$exceptions): ?array
    {
        [$good, $bad] = self::among($asked, $name, $all);
        if ($bad !== []) {
            $exceptions[] = CounterError::InvalidFilter->said("{$name}=" . implode('|', $bad));
        }
        if ($good !== []) {
            $filters[implode('_', array_map(ucfirst(...), explode('_', $name)))] = implode('|', $good);
        }

        return $good === [] ? null : $good;
    }

    /**
     * @param  array<string, mixed>  $asked
     * @param  list<string>  $all
     * @return array{list<string>, list<string>} those that there are, as they are written, and those that there are not
     */
    private static function among(array $asked, string $name, array $all): array
    {
        $byLower = array_combine(array_map(mb_strtolower(...), $all), $all);
        $good = $bad = [];
        foreach (array_filter(array_map(trim(...), explode('|', self::text($asked, $name)))) as $value) {
            isset($byLower[mb_strtolower($value)])
                ? ($good[] = $byLower[mb_strtolower($value)])
                : ($bad[] = mb_substr($value, 0, 100));
        }

        return [array_values(array_unique($good)), $bad];
    }

    /**
     * @param  array<string, mixed>  $asked
     * @return array{list<array{string, string}>|null, list<string>} years from and to, and what is none
     */
    private static function years(array $asked): array
    {
        $good = $bad = [];
        foreach (array_filter(array_map(trim(...), explode('|', self::text($asked, 'yop')))) as $value) {
            if (preg_match('/^([0-9]{4})(?:-([0-9]{4}))?$/D', $value, $of) === 1 && $of[1] <= ($of[2] ?? $of[1])) {
                $good[] = [$of[1], $of[2] ?? $of[1]];
            } elseif (strcasecmp($value, 'all') !== 0) {
                $bad[] = mb_substr($value, 0, 100);
            }
        }

        return [$good === [] ? null : $good, $bad];
    }

    /**
     * @param  array<string, mixed>  $asked
     *
     * @throws CounterRefused
     */
    private static function month(array $asked, string $name, string $day): string
    {
        $said = self::text($asked, $name);
        $isOne = preg_match('/^([0-9]{4}-(?:0[1-9]|1[0-2]))(?:-([0-9]{2}))?$/D', $said, $of) === 1 && $of[1] >= '1990';
        $whole = $isOne ? ($day === 't' ? date('t', (int) strtotime("{$of[1]}-01")) : $day) : '';
        if (!$isOne || (isset($of[2]) && $of[2] !== $whole)) {
            throw new CounterRefused(
                CounterError::InvalidDates,
                "{$name}=" .
                    mb_substr($said, 0, 40) .
                    ' is not a month as 2026-01, nor its ' .
                    ($day === 't' ? 'last' : 'first') .
                    ' day',
            );
        }

        return $of[1];
    }

    /** @param  array<string, mixed>  $asked */
    private static function text(array $asked, string $name): string
    {
        return is_string($asked[$name] ?? null) ? trim($asked[$name]) : '';
    }
}
