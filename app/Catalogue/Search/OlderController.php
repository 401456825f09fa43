<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

use App\Account\Preferences\ListOlder;
use App\Shared\Input;
use App\Shared\RequestContext;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** Whether titles that a person's card may never borrow are listed for them, too. */
final class OlderController
{
    public function __invoke(Request $request, RequestContext $current, ListOlder $listOlder): RedirectResponse
    {
        $listOlder($current->requiredPerson(), Input::text($request, 'older') === '1');

        return redirect()->route('catalogue', [...$current->inAddress(), ...Input::query($request, 'search')]);
    }
}
