<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Counter;

/** A report that is asked for, understood. */
final readonly class ReportRequest
{
    /** All of content here is for who borrows it, and is read by people. */
    public const ACCESS_TYPE = 'Controlled';

    public const ACCESS_METHOD = 'Regular';

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
    public function __construct(
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

    /** @return list<string> "2026-01", each month of the report */
    public function months(): array
    {
        $months = [];
        for ($month = $this->begin; $month <= $this->end; $month = Month::after($month)) {
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
    public function takes(?Item $item, ReportHeader $header): bool
    {
        $isNamed = fn(string $filter, string $name): bool => !isset($this->filters[$filter]) ||
            mb_strtolower($this->filters[$filter]) === mb_strtolower($name);
        if (
            !$this->isAnything ||
            !$isNamed('Platform', $header->platform) ||
            !$isNamed('Database', $header->database())
        ) {
            return false;
        }
        if ($item === null) {
            return $this->itemId === null && $this->years === null;
        }

        return ($this->itemId === null || self::is($item, $this->itemId, $header->namespace)) &&
            ($this->years === null ||
                array_filter($this->years, fn(array $of): bool => $of[0] <= $item->year && $item->year <= $of[1]) !==
                    []);
    }

    /** By any of its numbers, with or without what kind of number it is, as reports name it. */
    private static function is(Item $item, string $number, string $namespace): bool
    {
        $plain = fn(string $of): string => str_contains($of, '://') ? $of : str_replace('-', '', mb_strtolower($of));
        $asked = (string) preg_replace('/^(proprietary|isbn|issn|online_issn|uri):(?=.)/i', '', $number);
        $asked = str_starts_with($asked, "{$namespace}:") ? substr($asked, strlen($namespace) + 1) : $asked;
        $numbers = [(string) $item->id, $item->isbn, $item->issn, $item->address];
        $numbers[] = $item->serial === null ? null : "series-{$item->serial[0]}";

        return in_array($plain($asked), array_map($plain, array_filter($numbers, is_string(...))), true);
    }
}
