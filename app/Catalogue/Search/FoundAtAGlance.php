<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

/** What a search finds, at a glance: how many titles, how many of them are ready now, and which come first. */
final readonly class FoundAtAGlance
{
    /** @param  list<int>  $first  in the order asked for */
    public function __construct(public int $titles = 0, public int $ready = 0, public array $first = []) {}
}
