<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

use App\Shared\Input;
use App\Shared\PreferenceStore;
use App\Shared\RequestContext;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

final class ResultsLookController
{
    /** What is sent of it is changed, and the page of the search that was open is shown again. */
    public function __invoke(Request $request, PreferenceStore $store, RequestContext $current): RedirectResponse
    {
        $look = ResultsLook::kept($store, $request);
        $changed = match (Input::text($request, 'look')) {
            'rows' => new ResultsLook(covers: false, byWork: $look->byWork),
            'covers' => new ResultsLook(covers: true, byWork: $look->byWork),
            'by_work' => new ResultsLook($look->covers, byWork: true),
            'by_title' => new ResultsLook($look->covers, byWork: false),
            default => $look,
        };
        $changed->keep($store);

        return redirect()->route('catalogue', [...$current->inAddress(), ...Input::query($request, 'search')]);
    }
}
