<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Counter;

/** A report that is asked for, as the COUNTER API for Release 5.1 has it (from memory). */
final readonly class ReportRequest
{
    private const CREDENTIALS = ['customer_id', 'requestor_id', 'api_key'];

    private const DATES = ['begin_date', 'end_date'];

    private const LISTS = ['metric_type', 'data_type', 'access_type', 'access_method'];

    private const ACCESS_TYPES = ['Controlled', 'Free_To_Read', 'Open'];

    private const ACCESS_METHODS = ['Regular', 'TDM'];

    /** All of content here is for who borrows it, and is read by people. */
    private const ACCESS_TYPE = 'Controlled';

    private const ACCESS_METHOD = 'Regular';

    private const MOST_MONTHS = 120;

    /**
     * @param  string  $begin  the first month, "2026-01"
     * @param  string  $end  the last
     * @param  string  $ready  the last month that is over
     * @param  list<Metric>  $metrics
     * @param  list<DataType>  $dataTypes
     * @param  list<array{string, string}>|null  $years  of publication, from and to; null for all
     * @param  list<Attribute>  $shown
     * @param  array<string, string>  $filters  as they were asked for
     * @param  list<array{Code: int, Message: string, Data?: string}>  $exceptions
     */
    private function __construct(
        public Report $report,
        public string $begin,
        public string $end,
        public string $ready,
        public array $metrics,
        public array $dataTypes,
        public ?array $years,
        public array $shown,
        public bool $byMonth,
        public bool $isAnything,
        public ?string $itemId,
        public array $filters,
        public array $exceptions,
    ) {}

    /**
     * @param  array<string, mixed>  $asked  the parameters
     * @param  string  $ready  the last month of which there may be figures, "2026-10"
     *
     * @throws CounterRefused
     */
    public static function read(string $id, array $asked, string $ready): self
    {
        $report = Report::tryFrom(strtoupper($id)) ?? throw new CounterRefused(CounterError::ReportNotSupported, $id);
        [$begin, $end] = [self::month($asked, 'begin_date', '01'), self::month($asked, 'end_date', 't')];
        $months = self::monthsBetween($begin, $end);
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

        return new self(
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
            isAnything: ($access === null || in_array(self::ACCESS_TYPE, $access, true)) &&
                ($methods === null || in_array(self::ACCESS_METHOD, $methods, true)),
            itemId: self::text($asked, 'item_id') ?: null,
            filters: $filters,
            exceptions: [
                ...$exceptions,
                ...$end > $ready ? [CounterError::NotReady->said(max($begin, self::next($ready)) . ' to ' . $end)] : [],
            ],
        );
    }

    /** @return list<string> "2026-01", each month of the report */
    public function months(): array
    {
        $months = [];
        for ($month = $this->begin; $month <= $this->end; $month = self::next($month)) {
            $months[] = $month;
        }

        return $months;
    }

    /** The last of its months of which there may be figures; before the first where there are none. */
    public function last(): string
    {
        return min($this->end, $this->ready);
    }

    /** Whether a title, or the searches, may be in it. */
    public function takes(?Item $item, string $platform): bool
    {
        $isNamed = fn(string $filter, string $name): bool => !isset($this->filters[$filter]) ||
            mb_strtolower($this->filters[$filter]) === mb_strtolower($name);
        if (!$this->isAnything || !$isNamed('Platform', $platform)) {
            return false;
        }
        if ($item === null) {
            return $this->itemId === null && $this->years === null;
        }
        $isOf = $this->itemId === null || in_array($this->itemId, self::numbers($item), true);
        $year = $item->year;

        return $isOf &&
            ($this->years === null ||
                array_filter($this->years, fn(array $of): bool => $of[0] <= $year && $year <= $of[1]) !== []);
    }

    /** @return list<string> by which an item may be asked for */
    private static function numbers(Item $item): array
    {
        return array_values(
            array_filter([(string) $item->id, $item->isbn, $item->issn, $item->address], is_string(...)),
        );
    }

    public function accessType(): string
    {
        return self::ACCESS_TYPE;
    }

    public function accessMethod(): string
    {
        return self::ACCESS_METHOD;
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

    private static function monthsBetween(string $begin, string $end): int
    {
        return ((int) substr($end, 0, 4) - (int) substr($begin, 0, 4)) * 12 +
            (int) substr($end, 5) -
            (int) substr($begin, 5) +
            1;
    }

    private static function next(string $month): string
    {
        [$year, $of] = [(int) substr($month, 0, 4), (int) substr($month, 5)];

        return sprintf('%04d-%02d', $of === 12 ? $year + 1 : $year, $of === 12 ? 1 : $of + 1);
    }
}
