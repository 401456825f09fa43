<?php

declare(strict_types=1);

namespace App\Catalogue\Filters;

use App\Catalogue\BitmapIndex\BitmapIndex;
use FigPorch\Core\Catalogue\TitleSet;

/** A filter of which one value, or one range, is chosen. Its counts are of what all other filters leave. */
abstract readonly class OneValueFilter extends Filter
{
    /**
     * What a title has of it, as SQL.
     *
     * @param  string  $row  before the columns of search_rows, as "s."
     * @param  string  $can  the number of HeldTitles::can()
     */
    abstract public static function value(string $row, string $can): string;

    /**
     * Whether a value is what is chosen. Asked only where something is.
     *
     * @param  string  $value  SQL
     * @return array{string, list<mixed>} SQL that is never null, and its bindings
     */
    abstract public function fits(string $value): array;

    /**
     * The titles that fit. Asked only where something is chosen.
     *
     * @param  array<string, TitleSet>  $can  by the name of a FlagFilter, what can be had at this moment
     */
    abstract public function bitmap(BitmapIndex $index, array $can): TitleSet;
}
