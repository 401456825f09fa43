<?php

declare(strict_types=1);

namespace App\Desk;

use App\Desk\Lists\StaffListPolicy;
use App\Desk\Setup\CreateLibraryCommand;
use App\Desk\Setup\SetupLinkCommand;
use App\Desk\Staff\AddStaffCommand;
use App\Models\StaffList;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\ServiceProvider;

final class DeskServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->commands([AddStaffCommand::class, CreateLibraryCommand::class, SetupLinkCommand::class]);
    }

    public function boot(): void
    {
        Gate::policy(StaffList::class, StaffListPolicy::class);
    }
}
