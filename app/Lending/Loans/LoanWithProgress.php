<?php

declare(strict_types=1);

namespace App\Lending\Loans;

use App\Models\Loan;
use App\Models\Place;

final readonly class LoanWithProgress
{
    public function __construct(public Loan $loan, public ?Place $place, public bool $hasFile) {}

    /** The page reached: as the place says it, else its share of the pages that the title counts. */
    public function page(): string
    {
        return $this->place?->page() ??
            (string) max(1, (int) ceil(($this->place?->fraction() ?? 0) * $this->loan->title->extent));
    }
}
