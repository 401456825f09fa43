<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

use App\Lending\LoanRules\CardEligibility;
use App\Shared\Input;
use App\Shared\RequestContext;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

final class PinController
{
    /** Pins the "filter" of a search, or with "all" every one of it; "unpin" takes a pin, or all, out again. */
    public function __invoke(Request $request, Pins $pins, RequestContext $current): RedirectResponse
    {
        $search = SearchRequest::read(0, Input::query($request, 'search'), new CardEligibility());
        $unpin = Input::text($request, 'unpin');
        $pin = Input::text($request, 'filter');
        $kept = $pins->of($request);
        $pins->keep(
            match (true) {
                $unpin === 'all' => [],
                $unpin !== '' => array_diff_key($kept, [$unpin => 1]),
                $pin === 'all' => [...$kept, ...$search->narrowing()],
                default => [...$kept, ...array_intersect_key($search->narrowing(), [$pin => 1])],
            },
        );

        return redirect()->route('catalogue', [...$current->inAddress(), ...$search->with([])]);
    }
}
