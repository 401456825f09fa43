<?php

declare(strict_types=1);

namespace App\Desk\Today;

use App\Desk\Holdings\LibraryElsewhere;
use App\Desk\Licences\TitlesUnderPressure;
use App\Models\StaffMember;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\View\View;

/** The Desk's first page: what needs hands, each with the place where it is done. */
final class TodayController
{
    public function __invoke(
        #[CurrentUser('staff')] StaffMember $staff,
        NeedsHands $needs,
        TitlesUnderPressure $titles,
        LibraryElsewhere $elsewhere,
    ): View {
        $now = CarbonImmutable::now();

        return view('desk.today.today', [
            'staff' => $staff,
            'todos' => $needs->of($staff, $now),
            'hasTitles' => $titles->hasAny($staff->library) || $elsewhere->hasAny($staff->library),
            'wrong' => $needs->wrongWithMachine(),
            'now' => $now,
        ]);
    }
}
