<?php

declare(strict_types=1);

namespace App\Desk\CardImport;

use App\Models\CardImport;
use DateTimeImmutable;

/** Begins a comparison of a file with the cards that there are. */
final class ComparePatrons
{
    public function begin(CardImport $import, DateTimeImmutable $now): PatronComparison
    {
        return new PatronComparison($import, $now);
    }
}
