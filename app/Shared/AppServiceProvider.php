<?php

declare(strict_types=1);

namespace App\Shared;

use App\Shared\Check\CheckCommand;
use App\Shared\ReadyPages\MakeReadyPagesCommand;
use Carbon\CarbonImmutable;
use Closure;
use Illuminate\Cache\RateLimiter;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Database\Connection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Events\MigrationsEnded;
use Illuminate\Database\Events\NoPendingMigrations;
use Illuminate\Database\Migrations\Migrator;
use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Http\Request;
use Illuminate\Queue\Failed\FailedJobProviderInterface;
use Illuminate\Support\Facades\Auth;
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
        // Pages ask the same again and again; a command asks most things once.
        if (PHP_SAPI === 'fpm-fcgi') {
            Connection::resolverFor('pgsql', fn(mixed ...$of): RememberedPlans => new RememberedPlans(...$of));
        }
        $this->app->extend('translation.loader', fn(FileLoader $loader): SentenceFiles => SentenceFiles::of($loader));
        $this->app->extend(
            'migrator',
            fn(Migrator $migrator, Application $app): AtomicMigrator => new AtomicMigrator(
                $app->make('migration.repository'),
                $app->make('db'),
                $app->make('files'),
                $app->make('events'),
            ),
        );
        $this->app->extend(
            'queue.failer',
            fn(FailedJobProviderInterface $failer, Application $app): FailedJobs => new FailedJobs(
                $app->make('db'),
                config('queue.failed.database'),
                config('queue.failed.table'),
            ),
        );
        $this->app->extend(
            'translator',
            fn(Translator $translator): CachedTranslator => CachedTranslator::of($translator),
        );
    }

    public function boot(): void
    {
        $this->commands([CheckCommand::class, MakeReadyPagesCommand::class]);
        Date::use(CarbonImmutable::class);
        $proxies = array_filter(array_map(trim(...), explode(',', (string) config('figporch.proxies'))));
        if ($proxies !== []) {
            TrustProxies::at(array_values($proxies));
            // Not X-Forwarded-Host: which names are ours is settled by the name that is asked for (KnownHost).
            TrustProxies::withHeaders(
                Request::HEADER_X_FORWARDED_FOR | Request::HEADER_X_FORWARDED_PROTO | Request::HEADER_X_FORWARDED_PORT,
            );
        }
        // Not before a page counts what is asked: it brings the cache and the database with it.
        $this->callAfterResolving(RateLimiter::class, function (RateLimiter $limiter): void {
            foreach (array_keys((array) config('figporch.a_minute')) as $what) {
                $limiter->for((string) $what, self::perMinute($what));
            }
        });
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

    /** @return Closure(Request): Limit what one person may do, a patron or one of the staff; else one address */
    private static function perMinute(string|int $what): Closure
    {
        return fn(Request $request): Limit => Limit::perMinute((int) config("figporch.a_minute.{$what}"))->by(
            "{$what} " .
                match (true) {
                    Auth::guard('staff')->check() => 'staff ' . Auth::guard('staff')->id(),
                    Auth::guard('web')->check() => 'person ' . Auth::guard('web')->id(),
                    default => 'address ' . $request->ip(),
                },
        );
    }
}
