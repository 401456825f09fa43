<?php

declare(strict_types=1);

namespace App\Lending\Follows;

use App\Models\Title;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use FigPorch\Core\Catalogue\Format;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** Following a magazine: to be told of its next issue, or to have it borrowed. */
final class FollowController
{
    public function __invoke(
        Request $request,
        Title $title,
        RequestContext $current,
        FollowMagazine $follow,
    ): RedirectResponse {
        $how = $request->validate(['how' => ['required', 'in:tell,borrow,stop']])['how'];
        ($title->format === Format::Magazine && $title->series_id !== null) || abort(404);
        $card = $current->card() ?? abort(403, __('lending.follow_needs_card'));
        $how === 'stop'
            ? $follow->stop($card, $title->series_id)
            : $follow($card, $title->series_id, $how === 'borrow', CarbonImmutable::now());

        return redirect()
            ->to("/titles/{$title->id}#series")
            ->with('said', __("lending.followed.{$how}", ['name' => $title->name]));
    }
}
