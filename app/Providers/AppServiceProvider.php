<?php

declare(strict_types=1);

namespace App\Providers;

use App\Http\Current;
use App\Http\DatabaseSessions;
use App\Queries\Catalogue\Sets\InSets;
use App\Queries\Lending\HabitsOf;
use App\Queries\Lending\Rules;
use App\View\Sentences;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\Session;
use Illuminate\Support\Facades\View;
use Illuminate\Support\ServiceProvider;
use Illuminate\Translation\Translator;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->scoped(Rules::class);
        $this->app->scoped(HabitsOf::class);
        $this->app->scoped(InSets::class);
        $this->app->scoped(Current::class);
        $this->app->extend('translator', fn (Translator $translator): Sentences => Sentences::of($translator));
    }

    public function boot(): void
    {
        Date::use(CarbonImmutable::class);
        Session::extend('database', fn (Application $app): DatabaseSessions => new DatabaseSessions(
            $app->make('db')->connection(config('session.connection')), config('session.table'), config('session.lifetime'), $app,
        ));
        View::share('current', $this->app->make(Current::class));
        Model::preventLazyLoading(! $this->app->isProduction());
        Model::preventSilentlyDiscardingAttributes();
    }
}
