<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Counter;

/**
 * A report as JSON of the COUNTER API for Release 5.1 (from memory).
 *
 * @phpstan-import-type Row from ReportRows
 * @phpstan-import-type Part from ReportRows
 */
final readonly class ReportJson
{
    private const TOTAL = 'Total';

    /** Filters that have one value. */
    private const ONE = ['Platform', 'Database', 'Item_ID'];

    private function __construct(private ReportDocument $of) {}

    /** @return array<string, mixed> */
    public static function of(ReportDocument $report): array
    {
        return (new self($report))->written();
    }

    /** @return array<string, mixed> */
    private function written(): array
    {
        $filters = [];
        foreach ($this->of->request->report->filters() + $this->of->request->filters as $name => $values) {
            $filters[$name] = in_array($name, self::ONE, true) ? $values : explode('|', $values);
        }
        $header = [
            'Report_Name' => $this->of->request->report->name(),
            'Report_ID' => $this->of->request->report->value,
            'Release' => ReportHeader::RELEASE,
            'Institution_Name' => $this->of->header->institution,
            'Institution_ID' => ['Proprietary' => [$this->of->header->institutionId()]],
            'Report_Filters' => $filters + ['Begin_Date' => $this->of->firstDay(), 'End_Date' => $this->of->lastDay()],
            'Created' => $this->of->header->createdAt(),
            'Created_By' => $this->of->header->platform,
            'Registry_Record' => '',
        ];
        if (!$this->of->request->report->isView()) {
            $attributes = array_filter([
                'Attributes_To_Show' => $this->of->shown(),
                'Granularity' => $this->of->request->byMonth ? null : 'Totals',
            ]);
            $header += $attributes === [] ? [] : ['Report_Attributes' => $attributes];
        }
        $exceptions = $this->of->exceptions();

        return [
            'Report_Header' => $header + ($exceptions === [] ? [] : ['Exceptions' => $exceptions]),
            'Report_Items' => $this->items(),
        ];
    }

    /** @return list<array<string, mixed>> */
    private function items(): array
    {
        $items = array_map($this->item(...), $this->of->rows);
        if ($this->of->request->report !== Report::IR) {
            return $items;
        }
        // Issues stand below their serial; what is in nothing, by itself.
        $below = [];
        foreach ($this->of->rows as $n => $row) {
            $serial = $row['item']?->serial;
            $below[$serial[0] ?? 0] ??=
                $serial === null ? [] : ['Title' => $serial[1], 'Item_ID' => $this->of->numbers($row['item'], true)];
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
        $platform = ['Platform' => $this->of->header->platform];
        $publisher = $item?->publisher === null ? [] : ['Publisher' => $item->publisher];
        $authors = array_map(fn(string $of): array => ['Name' => $of], array_slice($item->authors ?? [], 0, 3));

        return match ($this->of->request->report->master()) {
            Report::PR => [...$platform, ...$figures],
            Report::DR => [
                'Database' => $this->of->header->database(),
                'Item_ID' => ['Proprietary' => $this->of->header->institutionId()],
                'Publisher' => $this->of->header->platform,
                ...$platform,
                ...$figures,
            ],
            Report::TR => [
                'Title' => $this->of->titleOf($item),
                'Item_ID' => $this->of->numbers($item, true),
                ...$publisher,
                ...$platform,
                ...$figures,
            ],
            default => [
                'Item' => (string) $item?->name,
                'Item_ID' => $this->of->numbers($item, false),
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
                fn(array $counts): array => $this->of->request->byMonth ? $counts : [self::TOTAL => array_sum($counts)],
                $part['months'],
            ),
        ];
    }
}
