<?php

declare(strict_types=1);

namespace App\Queries\Lending;

use App\Models\Loan;
use App\Models\Place;

final readonly class LoanOnShelf
{
    public function __construct(public Loan $loan, public ?Place $place, public bool $hasFile) {}

    /** The page reached, of the pages that the title counts. */
    public function page(): int
    {
        return $this->place === null ? 0 : max(1, (int) ceil($this->place->fraction() * $this->loan->title->extent));
    }
}
