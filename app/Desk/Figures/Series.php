<?php

declare(strict_types=1);

namespace App\Desk\Figures;

/** One figure of a library's year: some rows, each beside the year before. */
final readonly class Series
{
    /**
     * @param  string  $name  of figures.of
     * @param  list<SeriesRow>  $rows
     * @param  string  $unit  "count", "percent", "days" or "money"
     */
    public function __construct(public string $name, public array $rows, public string $unit = 'count') {}

    /** @return array{int, int} of this year and the year before, of what is shown */
    public function totals(): array
    {
        return [
            (int) array_sum(array_map(fn(SeriesRow $row): int|float => $row->now ?? 0, $this->rows)),
            (int) array_sum(array_map(fn(SeriesRow $row): int|float => $row->before ?? 0, $this->rows)),
        ];
    }

    public function most(): float
    {
        $each = array_map(fn(SeriesRow $row): int|float => max($row->now ?? 0, $row->before ?? 0), $this->rows);

        return (float) max(1, 0, ...$each);
    }
}
