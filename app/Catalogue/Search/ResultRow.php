<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

use App\Models\Title;

/** A row of what a search finds: a title, and beside it the others of its work that are found as well. */
final readonly class ResultRow
{
    /** So many others are named; the page of the title has them all. */
    public const SHOWN = 4;

    /** @param  list<Title>  $beside  in the order of the search */
    public function __construct(public Title $title, public array $beside = []) {}
}
