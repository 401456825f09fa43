<?php

declare(strict_types=1);

namespace App\Lending\Porch;

use App\Lending\Classes\ClassSets;
use App\Lending\Holds\OpenHolds;
use App\Lending\Loans\OpenLoans;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use Illuminate\View\View;

final class PorchController
{
    public function __invoke(
        RequestContext $current,
        OpenLoans $openLoans,
        OpenHolds $openHolds,
        ComingUp $comingUp,
        ClassSets $classSets,
    ): View {
        $now = CarbonImmutable::now();
        $person = $current->requiredPerson();
        $loans = $openLoans->of($person, $now);
        $holds = $openHolds->of($person, $now);

        return view('lending.porch.porch', [
            'pickUp' => $loans
                ->sortByDesc(
                    fn($loan) => $loan->place?->read_at->getTimestamp() ??
                        $loan->loan->started_at->getTimestamp() - 10 ** 9,
                )
                ->values()
                ->take(3),
            'ready' => $holds->filter(fn($hold) => $hold->isReady())->values(),
            'comingUp' => ComingUpDrawing::of($comingUp->dates($loans, $holds, $now), $now, width: 400),
            'pileUp' => $comingUp->pileUp($loans, $holds),
            'forClass' => $classSets->for($person, $now),
            'now' => $now,
        ]);
    }
}
