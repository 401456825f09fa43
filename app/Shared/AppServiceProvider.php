<?php

declare(strict_types=1);

namespace App\Shared;

use Carbon\CarbonImmutable;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Events\MigrationsEnded;
use Illuminate\Database\Events\NoPendingMigrations;
use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Session;
use Illuminate\Support\Facades\View;
use Illuminate\Support\ServiceProvider;
use Illuminate\Translation\FileLoader;
use Illuminate\Translation\Translator;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->scoped(RequestContext::class);
        // Sentences by area, as all else: lang/<area>/<language>/<room or subject>.php.
        $this->app->extend('translation.loader', function (FileLoader $loader): FileLoader {
            array_map($loader->addPath(...), glob(lang_path('*'), GLOB_ONLYDIR) ?: []);

            return $loader;
        });
        $this->app->extend(
            'translator',
            fn(Translator $translator): CachedTranslator => CachedTranslator::of($translator),
        );
    }

    public function boot(): void
    {
        Date::use(CarbonImmutable::class);
        $proxies = array_filter(array_map(trim(...), explode(',', (string) config('figporch.proxies'))));
        if ($proxies !== []) {
            TrustProxies::at(array_values($proxies));
            // Not X-Forwarded-Host: which names are ours is settled by the name that is asked for (KnownHost).
            TrustProxies::withHeaders(
                Request::HEADER_X_FORWARDED_FOR | Request::HEADER_X_FORWARDED_PROTO | Request::HEADER_X_FORWARDED_PORT,
            );
        }
        Session::extend(
            'database',
            fn(Application $app): DatabaseSessions => new DatabaseSessions(
                $app->make('db')->connection(config('session.connection')),
                config('session.table'),
                config('session.lifetime'),
                $app,
            ),
        );
        View::share('current', $this->app->make(RequestContext::class));
        Event::listen(
            [MigrationsEnded::class, NoPendingMigrations::class],
            fn() => SqlFunctions::bringUpToDate($this->app->databasePath('functions')),
        );
        Model::preventLazyLoading(!$this->app->isProduction());
        Model::preventSilentlyDiscardingAttributes();
    }
}
