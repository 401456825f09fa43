<?php

declare(strict_types=1);

namespace App\Http\Controllers\Account;

use App\Http\Current;
use App\Queries\Catalogue\StaffLists;
use App\Queries\Lending\ComingUp;
use App\Queries\Lending\OpenHolds;
use App\Queries\Lending\OpenLoans;
use App\Queries\Lending\PayMonth;
use Illuminate\View\View;

final class PorchController
{
    public function __invoke(Current $current, OpenLoans $openLoans, OpenHolds $openHolds, ComingUp $comingUp): View
    {
        $now = now()->toImmutable();
        $person = $current->person ?? abort(401);
        $loans = $openLoans->of($person, $now);
        $holds = $openHolds->of($person, $now);

        return view('account.porch', [
            'pickUp' => $loans->sortByDesc(fn ($loan) => $loan->place?->read_at->getTimestamp() ?? $loan->loan->started_at->getTimestamp() - 10 ** 9)->values()->take(3),
            'ready' => $holds->filter(fn ($hold) => $hold->isReady())->values(),
            'comingUp' => $comingUp->chart($loans, $holds, $now),
            'pileUp' => $comingUp->pileUp($loans, $holds),
            'now' => $now,
        ]);
    }

    /** The library's staff lists, for below. */
    public function lists(Current $current, StaffLists $staffLists, PayMonth $payMonth): View
    {
        $now = now()->toImmutable();

        return view('account.list-cards', [
            'lists' => $current->library === null ? [] : $staffLists->showing($current->library, $now, $payMonth->reach($current->card(), $current->library, $now)),
        ]);
    }
}
