<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Models\Loan;
use FigPorch\Core\Reading\PageAllowance;
use Illuminate\Support\Facades\DB;

/** Counts pages that a loan prints or copies, each once however often it is taken. */
final class TakePages
{
    public function __construct(private readonly LoanPages $loanPages) {}

    /**
     * @return PageAllowance|null what is left of the allowance; null where it is not enough, and then nothing is taken
     */
    public function __invoke(Loan $loan, int $from, int $to): ?PageAllowance
    {
        return DB::transaction(function () use ($loan, $from, $to): ?PageAllowance {
            // Two windows that ask at once are answered one after the other.
            DB::select('select pg_advisory_xact_lock(hashtextextended(?, 1))', ["pages of loan {$loan->id}"]);
            $allowance = $this->loanPages->allowance($loan);
            if (!$allowance->allows($from, $to)) {
                return null;
            }
            foreach (array_chunk($allowance->new($from, $to), 1000) as $pages) {
                DB::table('pages_taken')->insert(
                    array_map(fn(int $page): array => ['loan_id' => $loan->id, 'page' => $page], $pages),
                );
            }

            return $this->loanPages->allowance($loan);
        });
    }
}
