<?php

declare(strict_types=1);

namespace App\Desk\Files;

use App\Desk\Uploads\ReceiveUpload;
use App\Models\StaffMember;
use App\Models\Title;
use App\Shared\Input;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** The file of a title that is known already: on order, or with a file that a better one replaces. */
final class TitleFileController
{
    public function show(Title $title, #[CurrentUser('staff')] StaffMember $staff): View
    {
        return view('desk.files.title-file', ['title' => $title, 'staff' => $staff]);
    }

    public function take(
        Request $request,
        Title $title,
        #[CurrentUser('staff')] StaffMember $staff,
        ReceiveUpload $receive,
        TakeFiles $take,
    ): RedirectResponse {
        $uploads = $receive->whole($staff, explode(',', Input::text($request, 'uploads')));
        if (count($uploads) !== 1) {
            return redirect()->route('desk.title.file', $title)->with('refusal', __('files.one_file'));
        }
        $take(by: $staff, uploads: $uploads, terms: null, audience: null, now: CarbonImmutable::now(), for: $title);

        return redirect()->route('desk.files')->with('said', trans_choice('files.being_taken_in', 1));
    }
}
