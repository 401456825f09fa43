<?php

declare(strict_types=1);

namespace App\Catalogue\StaffLists;

use App\Lending\LoanRules\PayMonth;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use Illuminate\View\View;

/** The library's staff lists at the foot of the Porch, which asks for them when it is there. */
final class PorchListsController
{
    public function __invoke(RequestContext $current, StaffLists $staffLists, PayMonth $payMonth): View
    {
        $now = CarbonImmutable::now();
        $library = $current->library;

        return view('catalogue.staff-lists.list-cards', [
            'lists' =>
                $library === null
                    ? []
                    : $staffLists->showing($library, $now, $payMonth->eligibility($current->card(), $library, $now)),
        ]);
    }
}
