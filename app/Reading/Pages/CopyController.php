<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Models\Loan;
use Illuminate\Http\JsonResponse;

/** Text of a loan to copy: what it takes of the pages that the licence allows, said first and then counted. */
final class CopyController
{
    public function __construct(private readonly LoanPages $loanPages) {}

    public function price(CopyRequest $request, Loan $loan): JsonResponse
    {
        [$from, $until] = $request->span($loan, $this->loanPages);
        $allowance = $this->loanPages->allowance($loan);
        $left = $allowance->left();
        $price = $allowance->price($from, $until);

        return response()->json([
            'price' => round($price, 4),
            'left' => $left === null ? null : round($left, 4),
            'message' => match (true) {
                $left === null => '',
                $allowance->allows($from, $until) => PagesText::price($price, $left),
                default => PagesText::tooMany($price, $left),
            },
        ]);
    }

    public function take(CopyRequest $request, Loan $loan, TakePages $takePages): JsonResponse
    {
        [$from, $until] = $request->span($loan, $this->loanPages);
        $allowance = $takePages($loan, $from, $until);
        if ($allowance === null) {
            $allowance = $this->loanPages->allowance($loan);

            return response()->json(
                ['message' => PagesText::tooMany($allowance->price($from, $until), (float) $allowance->left())],
                409,
            );
        }

        return response()->json(['left' => $allowance->left(), 'message' => PagesText::copied($allowance->left())]);
    }
}
