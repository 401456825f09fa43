<?php

declare(strict_types=1);

namespace App\Desk\SignIn;

use App\Account\Help\HelpPages;
use App\Models\StaffMember;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Support\Facades\App;
use Illuminate\View\View;

/** How each figure at the Desk is reckoned. */
final class DeskHelpController
{
    public function __invoke(#[CurrentUser('staff')] StaffMember $staff, HelpPages $pages): View
    {
        return view('desk.sign-in.help', ['staff' => $staff, ...$pages->page('desk', App::getLocale())]);
    }
}
