<?php

declare(strict_types=1);

namespace App\Reading;

use App\Reading\Publications\ImportCommand;
use Illuminate\Support\ServiceProvider;

final class ReadingServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->commands([ImportCommand::class]);
    }
}
