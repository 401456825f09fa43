<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

use App\Models\Title;
use Illuminate\Pagination\LengthAwarePaginator;

/** A search near to one that finds nothing, and the first of what it finds. */
final readonly class NearSearch
{
    /**
     * @param  array<string, string>  $changes  of the values of the address
     * @param  LengthAwarePaginator<int, Title>  $page
     * @param  list<ResultRow>  $rows
     */
    public function __construct(
        public string $heading,
        public array $changes,
        public LengthAwarePaginator $page,
        public array $rows,
    ) {}
}
