<?php

declare(strict_types=1);

namespace App\Desk\Titles;

use App\Models\StaffMember;
use App\Shared\Input;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** Finding any title at the Desk. */
final class TitlesController
{
    public function __invoke(Request $request, #[CurrentUser('staff')] StaffMember $staff, FindTitles $titles): View
    {
        $find = mb_substr(Input::text($request, 'find'), 0, 200);

        return view('desk.titles.titles', [
            'staff' => $staff,
            'find' => $find,
            'page' =>
                $find === ''
                    ? $titles->onOrder($staff->library, CarbonImmutable::now())
                    : $titles->page($staff->library, $find, CarbonImmutable::now()),
        ]);
    }
}
