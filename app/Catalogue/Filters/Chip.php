<?php

declare(strict_types=1);

namespace App\Catalogue\Filters;

/** One chosen value of a filter, and how it is taken away. */
final readonly class Chip
{
    /**
     * @param  string  $filter  its name in the address
     * @param  string  $left  what stands there without it; empty for nothing
     */
    public function __construct(public string $filter, public string $words, public string $left = '') {}
}
