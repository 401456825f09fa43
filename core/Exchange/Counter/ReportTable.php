<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Counter;

/** A report as a table of lines and cells, as COUNTER Release 5.1 has it (from memory). */
final readonly class ReportTable
{
    private function __construct(private ReportDocument $of) {}

    /** @return list<list<string|int>> */
    public static function of(ReportDocument $report): array
    {
        return (new self($report))->written();
    }

    /** @return list<list<string|int>> */
    private function written(): array
    {
        $report = $this->of->request->report;
        $exceptions = array_map(
            fn(array $of): string => "{$of['Code']}: {$of['Message']}" . (isset($of['Data']) ? " ({$of['Data']})" : ''),
            $this->of->exceptions(),
        );
        $filters = $report->filters() + $this->of->request->filters;
        unset($filters['Metric_Type']);
        $attributes = array_filter([
            'Attributes_To_Show' => $report->isView() ? '' : implode('|', $this->of->shown()),
            'Granularity' => $this->of->request->byMonth ? '' : 'Totals',
        ]);
        $lines = [
            ['Report_Name', $report->name()],
            ['Report_ID', $report->value],
            ['Release', ReportHeader::RELEASE],
            ['Institution_Name', $this->of->header->institution],
            ['Institution_ID', 'Proprietary:' . $this->of->header->institutionId()],
            [
                'Metric_Types',
                implode('; ', array_map(fn(Metric $of): string => $of->value, $this->of->request->metrics)),
            ],
            ['Report_Filters', self::named($filters)],
            ['Report_Attributes', self::named($attributes)],
            ['Exceptions', implode('; ', $exceptions)],
            ['Reporting_Period', "Begin_Date={$this->of->firstDay()}; End_Date={$this->of->lastDay()}"],
            ['Created', $this->of->header->createdAt()],
            ['Created_By', $this->of->header->platform],
            ['Registry_Record', ''],
            [],
        ];
        $months = $this->of->request->byMonth ? $this->of->request->months() : [];
        $lines[] = [
            ...array_keys($this->cells(null)),
            ...$this->of->shown(),
            'Metric_Type',
            'Reporting_Period_Total',
            ...array_map(fn(string $month): string => date('M-Y', (int) strtotime("{$month}-01")), $months),
        ];
        foreach ($this->of->rows as $row) {
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

    /** @param  array<string, string>  $of */
    private static function named(array $of): string
    {
        return implode('; ', array_map(fn(string $name): string => "{$name}={$of[$name]}", array_keys($of)));
    }

    /** @return array<string, string> what a line of the table says of an item; its headings are those of none */
    private function cells(?Item $item): array
    {
        $report = $this->of->request->report;
        $master = $report->master();
        $platform = ['Platform' => $this->of->header->platform];
        $publisher = ['Publisher' => (string) $item?->publisher, 'Publisher_ID' => ''];
        if ($master === Report::PR) {
            return $platform;
        }
        if ($master === Report::DR) {
            return [
                'Database' => $this->of->header->database(),
                'Publisher' => $this->of->header->platform,
                'Publisher_ID' => '',
                ...$platform,
                'Proprietary_ID' => $this->of->header->institutionId(),
            ];
        }
        $asTitle = $master === Report::TR;
        $of = $this->of->numbers($item, $asTitle) + array_fill_keys(['Proprietary', 'ISBN', 'Online_ISSN', 'URI'], '');
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

            return ['Title' => $this->of->titleOf($item), ...$publisher, ...$platform, ...$known];
        }
        $name = ['Item' => (string) $item?->name, ...$publisher, ...$platform];
        if ($report === Report::IR_M1) {
            return [...$name, ...$known];
        }
        $parent = $item?->serial === null ? [] : $this->of->numbers($item, true);

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
