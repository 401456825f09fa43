<?php

declare(strict_types=1);

namespace App\Desk\Records;

use App\Lending\Requests\KnownTitles;
use App\Models\StaffMember;
use App\Models\Title;
use App\Shared\Input;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** Of which work a title is. */
final class WorkController
{
    public function __invoke(
        Request $request,
        Title $title,
        #[CurrentUser('staff')] StaffMember $staff,
        SayWork $say,
    ): RedirectResponse {
        $now = CarbonImmutable::now();
        $back = redirect()->route('desk.record', $title);
        $do = Input::text($request, 'do');
        if ($do === 'together') {
            $other = KnownTitles::named(Input::text($request, 'other'), lentOnly: false);
            if ($other === null || $other->is($title)) {
                return $back->withInput()->withErrors(['other' => __('records.work_unknown')]);
            }
            $say->together($staff, $title, $other, $now);
        } elseif ($do === 'apart') {
            $say->apart($staff, $title, $now);
        } else {
            $say->asRecordSays($staff, $title, $now);
        }

        return $back->with('said', __('records.saved'));
    }
}
