<?php

declare(strict_types=1);

namespace App\Catalogue\FrontDoor;

use App\Account\SignIn\FindLibraries;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use Illuminate\Http\RedirectResponse;
use Illuminate\View\View;

final class FrontDoorController
{
    public function __invoke(RequestContext $current, FrontDoor $door, FindLibraries $find): View|RedirectResponse
    {
        if ($current->person !== null) {
            return redirect()->route('porch');
        }
        if ($current->library === null) {
            return view('account.sign-in.choose-library', ['then' => '/', 'words' => '', 'found' => $find('')]);
        }

        return view('catalogue.front-door.front-door', [
            ...$door->on($current->library, CarbonImmutable::now()),
            'previewed' => null,
        ]);
    }
}
