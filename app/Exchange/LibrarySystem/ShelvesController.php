<?php

declare(strict_types=1);

namespace App\Exchange\LibrarySystem;

use App\Lending\Holdings\StandsElsewhere;
use App\Models\Title;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use Illuminate\View\View;

/** The shelves of a title with what the libraries' own systems say of them: fetched after its page. */
final class ShelvesController
{
    public function __invoke(Title $title, RequestContext $current, StandsElsewhere $elsewhere, HoldingsNow $now): View
    {
        $holdings = $elsewhere->of($current->requiredLibrary(), [$title])[$title->id]->holdings ?? [];

        return view('lending.holdings.shelves', [
            'title' => $title,
            'holdings' => $holdings,
            'at' => $now->of($holdings, CarbonImmutable::now()),
        ]);
    }
}
