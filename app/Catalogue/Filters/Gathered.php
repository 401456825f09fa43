<?php

declare(strict_types=1);

namespace App\Catalogue\Filters;

use App\Catalogue\BitmapIndex\IndexPart;

/** The bitmaps of a kind: one of the titles of each value. */
final readonly class Gathered
{
    /**
     * @param  string  $value  SQL on search_rows (alias s) and the join
     * @param  int|null  $most  only of so many values, the commonest; null for all
     * @param  bool  $listed  whether it can be asked which values there are, and which a title has
     */
    public function __construct(
        public IndexPart $part,
        public string $value,
        public string $join = '',
        public string $condition = 'true',
        public ?int $most = null,
        public bool $listed = true,
    ) {}

    /** Whether each value that a title has is a bitmap, where there are so many. */
    public function isOfAll(int $bitmaps): bool
    {
        return $this->condition === 'true' && ($this->most === null || $bitmaps < $this->most);
    }
}
