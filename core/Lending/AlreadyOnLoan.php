<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

/** Borrowing twice is borrowing once: here is the loan. */
final readonly class AlreadyOnLoan
{
    public function __construct(public int $loanId) {}
}
