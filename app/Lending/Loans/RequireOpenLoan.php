<?php

declare(strict_types=1);

namespace App\Lending\Loans;

use App\Models\Loan;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** What is there for as long as a loan is open; afterwards its page says that it has ended. */
final class RequireOpenLoan
{
    public function handle(Request $request, Closure $next): Response
    {
        $loan = $request->route('loan');
        if ($loan instanceof Loan && $loan->isOpen(now())) {
            return $next($request);
        }
        ($loan instanceof Loan && !$request->expectsJson()) || abort(410);

        return response()->view('lending.loans.ended', ['loan' => $loan->load('title')], 410);
    }
}
