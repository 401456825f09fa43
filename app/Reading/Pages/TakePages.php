<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Models\Loan;
use FigPorch\Core\Reading\PageAllowance;
use Illuminate\Support\Facades\DB;

/** Counts what a loan prints or copies, each page or part of one once however often it is taken. */
final class TakePages
{
    public function __construct(private readonly LoanPages $loanPages) {}

    /**
     * @param  float  $from  pages before it begins
     * @param  float  $until  pages before it ends
     * @return PageAllowance|null what is left of the allowance; null where it is not enough, and then nothing is taken
     */
    public function __invoke(Loan $loan, float $from, float $until): ?PageAllowance
    {
        return DB::transaction(function () use ($loan, $from, $until): ?PageAllowance {
            // Two windows that ask at once are answered one after the other.
            DB::select('select pg_advisory_xact_lock(hashtextextended(?, 1))', ["pages of loan {$loan->id}"]);
            $allowance = $this->loanPages->allowance($loan);
            if (!$allowance->allows($from, $until)) {
                return null;
            }
            $taken = $allowance->with($from, $until);
            DB::table('pages_taken')->where('loan_id', $loan->id)->delete();
            foreach (array_chunk($taken->taken, 1000) as $spans) {
                DB::table('pages_taken')->insert(
                    array_map(
                        fn(array $span): array => ['loan_id' => $loan->id, 'starts' => $span[0], 'ends' => $span[1]],
                        $spans,
                    ),
                );
            }

            return $taken;
        });
    }
}
