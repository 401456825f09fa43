<?php

declare(strict_types=1);

namespace App\Desk\Files;

use App\Desk\Uploads\ReceiveUpload;
use App\Models\FileImport;
use App\Models\StaffMember;
use App\Shared\Input;
use Carbon\CarbonImmutable;
use FigPorch\Core\Catalogue\Audience;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** Publications from files: sent, taken in one after the other, and what became of each. */
final class FilesController
{
    public function index(Request $request, #[CurrentUser('staff')] StaffMember $staff, SentFiles $files): View
    {
        return view($request->header('HX-Request') === 'true' ? 'desk.files.sent' : 'desk.files.files', [
            'staff' => $staff,
            'page' => $files->page($staff->library_id),
            'atWork' => $files->atWork($staff->library_id),
        ]);
    }

    public function take(
        Request $request,
        #[CurrentUser('staff')] StaffMember $staff,
        ReceiveUpload $receive,
        TakeFiles $take,
    ): RedirectResponse {
        $terms = LicenceForEach::of($request, $staff->library->shares);
        if (is_array($terms)) {
            return redirect()->route('desk.files')->withInput()->withErrors($terms);
        }
        $uploads = $receive->whole($staff, explode(',', Input::text($request, 'uploads')));
        if ($uploads === []) {
            return redirect()->route('desk.files')->withInput()->with('refusal', __('files.nothing_sent'));
        }
        $audience = Audience::tryFrom(Input::text($request, 'audience'))?->value;
        $take($staff, $uploads, $terms, $audience, CarbonImmutable::now());

        return redirect()->route('desk.files')->with('said', trans_choice('files.being_taken_in', count($uploads)));
    }

    /** Why it was refused has been seen. */
    public function putAway(FileImport $file, TakeFiles $take): RedirectResponse
    {
        $take->putAway($file);

        return redirect()->route('desk.files');
    }
}
