<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Counter;

/**
 * A report as COUNTER Release 5.1 writes it (from memory): as JSON of its API, and as a table of lines and cells.
 *
 * @phpstan-import-type Row from ReportRows
 * @phpstan-import-type Part from ReportRows
 */
final readonly class ReportDocument
{
    private const RELEASE = '5.1';

    private const TOTAL = 'Total';

    /** Filters that have one value. */
    private const ONE = ['Platform', 'Database', 'Item_ID'];

    /** @var list<Row> */
    private array $rows;

    /** @param  iterable<Usage>  $usages */
    public function __construct(private ReportRequest $request, private ReportHeader $header, iterable $usages)
    {
        $this->rows = ReportRows::of($request, $header->platform, $usages);
    }

    /** @return array<string, mixed> */
    public function json(): array
    {
        $filters = [];
        foreach ($this->request->report->filters() + $this->request->filters as $name => $values) {
            $filters[$name] = in_array($name, self::ONE, true) ? $values : explode('|', $values);
        }
        $header = [
            'Report_Name' => $this->request->report->name(),
            'Report_ID' => $this->request->report->value,
            'Release' => self::RELEASE,
            'Institution_Name' => $this->header->institution,
            'Institution_ID' => ['Proprietary' => [$this->header->institutionId()]],
            'Report_Filters' => $filters + ['Begin_Date' => $this->firstDay(), 'End_Date' => $this->lastDay()],
            'Created' => $this->header->createdAt(),
            'Created_By' => $this->header->platform,
            'Registry_Record' => '',
        ];
        if (!$this->request->report->isView()) {
            $attributes = array_filter([
                'Attributes_To_Show' => array_keys($this->shown()),
                'Granularity' => $this->request->byMonth ? null : 'Totals',
            ]);
            $header += $attributes === [] ? [] : ['Report_Attributes' => $attributes];
        }
        $exceptions = $this->exceptions();

        return [
            'Report_Header' => $header + ($exceptions === [] ? [] : ['Exceptions' => $exceptions]),
            'Report_Items' => $this->items(),
        ];
    }

    /** @return list<list<string|int>> */
    public function table(): array
    {
        $report = $this->request->report;
        $exceptions = array_map(
            fn(array $of): string => "{$of['Code']}: {$of['Message']}" . (isset($of['Data']) ? " ({$of['Data']})" : ''),
            $this->exceptions(),
        );
        $filters = $report->filters() + $this->request->filters;
        unset($filters['Metric_Type']);
        $attributes = array_filter([
            'Attributes_To_Show' => $report->isView() ? '' : implode('|', array_keys($this->shown())),
            'Granularity' => $this->request->byMonth ? '' : 'Totals',
        ]);
        $lines = [
            ['Report_Name', $report->name()],
            ['Report_ID', $report->value],
            ['Release', self::RELEASE],
            ['Institution_Name', $this->header->institution],
            ['Institution_ID', 'Proprietary:' . $this->header->institutionId()],
            ['Metric_Types', implode('; ', array_map(fn(Metric $of): string => $of->value, $this->request->metrics))],
            ['Report_Filters', self::named($filters)],
            ['Report_Attributes', self::named($attributes)],
            ['Exceptions', implode('; ', $exceptions)],
            ['Reporting_Period', "Begin_Date={$this->firstDay()}; End_Date={$this->lastDay()}"],
            ['Created', $this->header->createdAt()],
            ['Created_By', $this->header->platform],
            ['Registry_Record', ''],
            [],
        ];
        $months = $this->request->byMonth ? $this->request->months() : [];
        $lines[] = [
            ...array_keys($this->cells(null)),
            ...array_keys($this->shown()),
            'Metric_Type',
            'Reporting_Period_Total',
            ...array_map(fn(string $month): string => date('M-Y', (int) strtotime("{$month}-01")), $months),
        ];
        foreach ($this->rows as $row) {
            foreach ($row['parts'] as $part) {
                foreach ($part['months'] as $metric => $counts) {
                    $lines[] = [
                        ...array_values($this->cells($row['item'])),
                        ...array_values($part['attributes']),
                        $metric,
                        array_sum($counts),
                        ...array_map(fn(string $month): int => $counts[$month] ?? 0, $months),
                    ];
                }
            }
        }

        return $lines;
    }

    public function firstDay(): string
    {
        return "{$this->request->begin}-01";
    }

    public function lastDay(): string
    {
        return $this->request->end . '-' . date('t', (int) strtotime("{$this->request->end}-01"));
    }

    /** @return list<array{Code: int, Message: string, Data?: string}> */
    private function exceptions(): array
    {
        $isAnyReady = $this->request->begin <= $this->request->ready;

        return [
            ...$this->request->exceptions,
            ...$this->rows === [] && $isAnyReady ? [CounterError::NoUsage->said()] : [],
        ];
    }

    /** @return array<string, true> the attributes that are shown, by name */
    private function shown(): array
    {
        return array_fill_keys(array_map(fn(Attribute $of): string => $of->value, $this->request->shown), true);
    }

    /** @param  array<string, string>  $of */
    private static function named(array $of): string
    {
        return implode('; ', array_map(fn(string $name): string => "{$name}={$of[$name]}", array_keys($of)));
    }

    /** @return list<array<string, mixed>> */
    private function items(): array
    {
        $items = array_map($this->item(...), $this->rows);
        if ($this->request->report !== Report::IR) {
            return $items;
        }
        // Issues stand below their serial; what is in nothing, by itself.
        $below = [];
        foreach ($this->rows as $n => $row) {
            $serial = $row['item']?->serial;
            $below[$serial[0] ?? 0] ??=
                $serial === null ? [] : ['Title' => $serial[1], 'Item_ID' => $this->numbers($row['item'], true)];
            $below[$serial[0] ?? 0]['Items'][] = $items[$n];
        }

        return array_values($below);
    }

    /**
     * @param  Row  $row
     * @return array<string, mixed>
     */
    private function item(array $row): array
    {
        $item = $row['item'];
        $figures = ['Attribute_Performance' => array_map($this->part(...), array_values($row['parts']))];
        $platform = ['Platform' => $this->header->platform];
        $publisher = $item?->publisher === null ? [] : ['Publisher' => $item->publisher];
        $authors = array_map(fn(string $of): array => ['Name' => $of], array_slice($item->authors ?? [], 0, 3));

        return match ($this->request->report->master()) {
            Report::PR => [...$platform, ...$figures],
            Report::DR => [
                'Database' => $this->database(),
                'Item_ID' => ['Proprietary' => $this->header->institutionId()],
                'Publisher' => $this->header->platform,
                ...$platform,
                ...$figures,
            ],
            Report::TR => [
                'Title' => $this->titleOf($item),
                'Item_ID' => $this->numbers($item, true),
                ...$publisher,
                ...$platform,
                ...$figures,
            ],
            default => [
                'Item' => (string) $item?->name,
                'Item_ID' => $this->numbers($item, false),
                ...$publisher,
                ...$platform,
                ...$authors === [] ? [] : ['Authors' => $authors],
                ...$item?->published === null ? [] : ['Publication_Date' => $item->published],
                ...$figures,
            ],
        };
    }

    /**
     * @param  Part  $part
     * @return array<string, mixed>
     */
    private function part(array $part): array
    {
        return $part['attributes'] + [
            'Performance' => array_map(
                fn(array $counts): array => $this->request->byMonth ? $counts : [self::TOTAL => array_sum($counts)],
                $part['months'],
            ),
        ];
    }

    private function database(): string
    {
        return "{$this->header->institution}: catalogue";
    }

    private function titleOf(?Item $item): string
    {
        return $item->serial[1] ?? (string) $item?->name;
    }

    /** @return array<string, string> */
    private function numbers(?Item $item, bool $asTitle): array
    {
        if ($item === null) {
            return [];
        }
        $serial = $asTitle ? $item->serial : null;
        $number = $serial === null ? (string) $item->id : "series-{$serial[0]}";

        return array_filter(
            [
                'Proprietary' => "{$this->header->namespace}:{$number}",
                'ISBN' => $serial === null ? $item->isbn : null,
                'Online_ISSN' => $item->issn,
                'URI' => $serial === null ? $item->address : null,
            ],
            fn(?string $of): bool => $of !== null && $of !== '',
        );
    }

    /** @return array<string, string> what a line of the table says of an item; its headings are those of none */
    private function cells(?Item $item): array
    {
        $report = $this->request->report;
        $master = $report->master();
        $platform = ['Platform' => $this->header->platform];
        $publisher = ['Publisher' => (string) $item?->publisher, 'Publisher_ID' => ''];
        if ($master === Report::PR) {
            return $platform;
        }
        if ($master === Report::DR) {
            return [
                'Database' => $this->database(),
                'Publisher' => $this->header->platform,
                'Publisher_ID' => '',
                ...$platform,
                'Proprietary_ID' => $this->header->institutionId(),
            ];
        }
        $asTitle = $master === Report::TR;
        $of = $this->numbers($item, $asTitle) + array_fill_keys(['Proprietary', 'ISBN', 'Online_ISSN', 'URI'], '');
        $known = [
            'DOI' => '',
            'Proprietary_ID' => $of['Proprietary'],
            ...$report === Report::IR_M1
                ? []
                : ['ISBN' => $of['ISBN'], 'Print_ISSN' => '', 'Online_ISSN' => $of['Online_ISSN']],
            'URI' => $of['URI'],
        ];
        if ($asTitle) {
            // Only a book has an ISBN.
            if ($report->dataTypes() === [DataType::Journal]) {
                unset($known['ISBN']);
            }

            return ['Title' => $this->titleOf($item), ...$publisher, ...$platform, ...$known];
        }
        $name = ['Item' => (string) $item?->name, ...$publisher, ...$platform];
        if ($report === Report::IR_M1) {
            return [...$name, ...$known];
        }
        $parent = $item?->serial === null ? [] : $this->numbers($item, true);

        return [
            ...$name,
            'Authors' => implode('; ', array_slice($item->authors ?? [], 0, 3)),
            'Publication_Date' => (string) $item?->published,
            'Article_Version' => '',
            ...$known,
            'Parent_Title' => $item->serial[1] ?? '',
            'Parent_Authors' => '',
            'Parent_Publication_Date' => '',
            'Parent_Article_Version' => '',
            'Parent_Data_Type' => $item?->serial === null ? '' : DataType::Journal->value,
            'Parent_DOI' => '',
            'Parent_Proprietary_ID' => $parent['Proprietary'] ?? '',
            'Parent_ISBN' => '',
            'Parent_Print_ISSN' => '',
            'Parent_Online_ISSN' => $parent['Online_ISSN'] ?? '',
            'Parent_URI' => '',
        ];
    }
}
