<?php

declare(strict_types=1);

namespace App\Http\Controllers\Account;

use App\Http\Current;
use App\Queries\Catalogue\StaffLists;
use App\Queries\Catalogue\WhatIsHere;
use Illuminate\Http\RedirectResponse;
use Illuminate\View\View;

final class FrontDoorController
{
    public function __invoke(Current $current, WhatIsHere $whatIsHere, StaffLists $staffLists): View|RedirectResponse
    {
        if ($current->person !== null) {
            return redirect()->route('porch');
        }
        if ($current->library === null) {
            return view('account.choose-library', ['then' => '/']);
        }
        $now = now()->toImmutable();

        return view('account.front-door', [
            'counts' => $whatIsHere->counts($current->library->id, $now),
            'readyNow' => $whatIsHere->readyNow($current->library->id, $now),
            'lists' => $staffLists->showing($current->library, $now),
        ]);
    }
}
