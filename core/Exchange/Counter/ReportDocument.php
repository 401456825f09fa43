<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Counter;

/**
 * A report: what was asked for, for whom, and its rows. ReportJson and ReportTable write it.
 *
 * @phpstan-import-type Row from ReportRows
 */
final readonly class ReportDocument
{
    /** @var list<Row> */
    public array $rows;

    /** @param  iterable<Usage>  $usages */
    public function __construct(public ReportRequest $request, public ReportHeader $header, iterable $usages)
    {
        $this->rows = ReportRows::of($request, $header, $usages);
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
    public function exceptions(): array
    {
        $isAnyReady = $this->request->begin <= $this->request->ready;

        return [
            ...$this->request->exceptions,
            ...$this->rows === [] && $isAnyReady ? [CounterError::NoUsage->said()] : [],
        ];
    }

    /** @return list<string> the attributes that are shown */
    public function shown(): array
    {
        return array_map(fn(Attribute $of): string => $of->value, $this->request->shown);
    }

    public function titleOf(?Item $item): string
    {
        return $item->serial[1] ?? (string) $item?->name;
    }

    /** @return array<string, string> */
    public function numbers(?Item $item, bool $asTitle): array
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
}
