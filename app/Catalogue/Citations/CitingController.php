<?php

declare(strict_types=1);

namespace App\Catalogue\Citations;

use App\Models\Title;
use App\Shared\Input;
use App\Shared\RequestContext;
use FigPorch\Core\Catalogue\Citation\Passage;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** A title, or a passage of it, cited in each style. */
final class CitingController
{
    public function __invoke(Request $request, Title $title, CitableTitles $citable, RequestContext $current): View
    {
        $given = fn(string $name): ?string => mb_substr(trim(Input::text($request, $name)), 0, 300) ?: null;

        return view('catalogue.citations.cite', [
            'title' => $title,
            'cited' => $citable->titles([$title->id], fn(int $id): string => url("/titles/{$id}"), $current->now())[0],
            'passage' => $request->hasAny(['page', 'section']) ? new Passage($given('page'), $given('section')) : null,
        ]);
    }
}
