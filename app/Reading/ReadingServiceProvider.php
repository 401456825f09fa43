<?php

declare(strict_types=1);

namespace App\Reading;

use App\Models\Mark;
use App\Reading\Marks\MarkPolicy;
use App\Reading\Pages\PagesAsPdf;
use App\Reading\Prepared\FileMaker;
use App\Reading\Prepared\FileMakers;
use App\Reading\Publications\CutExcerptsCommand;
use App\Reading\Publications\ImportCommand;
use App\Reading\Publications\ImportFileCommand;
use App\Reading\Publications\MeasureMediaCommand;
use App\Reading\Publications\TidyCommand;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\ServiceProvider;

final class ReadingServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->commands([
            CutExcerptsCommand::class,
            ImportCommand::class,
            ImportFileCommand::class,
            MeasureMediaCommand::class,
            TidyCommand::class,
        ]);
        $this->app->tag(PagesAsPdf::class, FileMaker::class);
        $this->app->when(FileMakers::class)->needs('$makers')->giveTagged(FileMaker::class);
    }

    public function boot(): void
    {
        Gate::policy(Mark::class, MarkPolicy::class);
    }
}
