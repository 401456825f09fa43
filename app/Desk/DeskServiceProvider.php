<?php

declare(strict_types=1);

namespace App\Desk;

use App\Desk\Staff\AddStaffCommand;
use Illuminate\Support\ServiceProvider;

final class DeskServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->commands([AddStaffCommand::class]);
    }
}
