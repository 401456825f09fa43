<?php

declare(strict_types=1);

namespace App\Catalogue\StaffLists;

use App\Models\StaffList;
use App\Models\Title;

/** A staff list, how many titles it has and how many of them are ready now, and its first. */
final readonly class ListOnShow
{
    /** @param  list<Title>  $first */
    public function __construct(public StaffList $list, public int $titles, public int $ready, public array $first) {}
}
