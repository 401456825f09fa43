<?php

declare(strict_types=1);

namespace App\Lending\Borrowing;

use App\Lending\Loans\ReturnLoan;
use DateTimeImmutable;
use FigPorch\Core\Lending\AlreadyOnLoan;
use FigPorch\Core\Lending\LoanLength;
use FigPorch\Core\Lending\Refused;
use Illuminate\Support\Facades\DB;

/** At the limit: returns one loan and borrows a title in its place, both or neither. */
final class SwapLoan
{
    public function __construct(private readonly ReturnLoan $returnLoan, private readonly BorrowTitle $borrow) {}

    public function __invoke(
        int $loanId,
        int $cardId,
        int $titleId,
        ?LoanLength $length,
        DateTimeImmutable $now,
    ): AlreadyOnLoan|Refused|int {
        DB::beginTransaction();
        try {
            ($this->returnLoan)($loanId, $now);
            $outcome = ($this->borrow)($cardId, $titleId, $length, $now);
        } catch (\Throwable $broken) {
            DB::rollBack();

            throw $broken;
        }
        is_int($outcome) ? DB::commit() : DB::rollBack();

        return $outcome;
    }
}
