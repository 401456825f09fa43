<?php

declare(strict_types=1);

namespace App\Desk\Figures;

/** A row of a figure: this year beside the year before. */
final readonly class SeriesRow
{
    /**
     * @param  string|null  $link  to what is behind it; null stands, in the numbers, for what is not shown or not
     *     known
     */
    public function __construct(
        public string $label,
        public int|float|null $now,
        public int|float|null $before,
        public ?string $link = null,
    ) {}
}
