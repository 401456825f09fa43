<?php

declare(strict_types=1);

namespace App\Catalogue\FrontDoor;

use App\Catalogue\StaffLists\StaffLists;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use Illuminate\Http\RedirectResponse;
use Illuminate\View\View;

final class FrontDoorController
{
    public function __invoke(
        RequestContext $current,
        LibraryHoldings $whatIsHere,
        StaffLists $staffLists,
    ): View|RedirectResponse {
        if ($current->person !== null) {
            return redirect()->route('porch');
        }
        if ($current->library === null) {
            return view('account.sign-in.choose-library', ['then' => '/']);
        }
        $now = CarbonImmutable::now();

        return view('catalogue.front-door.front-door', [
            'counts' => $whatIsHere->counts($current->library->id, $now),
            'readyNow' => $whatIsHere->readyNow($current->library->id, $now),
            'lists' => $staffLists->showing($current->library, $now),
        ]);
    }
}
