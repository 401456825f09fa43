<?php

declare(strict_types=1);

use App\Account\SignIn\SessionLimit;
use App\Shared\DatabaseFaults;
use App\Shared\Middleware\KnownHost;
use App\Shared\Middleware\ProtectiveHeaders;
use App\Shared\Middleware\ReadableInput;
use App\Shared\Middleware\SetLibraryAndLocale;
use App\Shared\Middleware\StartSession;
use App\Shared\Middleware\VisitorsLanguage;
use App\Shared\Readiness;
use App\Shared\ReadyPages\ReadyPage;
use App\Shared\View\NoSuchPage;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Session\Middleware\StartSession as LaravelsStartSession;
use Illuminate\Support\Facades\Route;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\MethodNotAllowedHttpException;

// Everything that is made at run time lives in one folder: "var", or the one that FIGPORCH_VAR names.
$var = getenv('FIGPORCH_VAR') ?: 'var';
$var = str_starts_with($var, '/') ? $var : dirname(__DIR__) . '/' . $var;
foreach (['SERVICES', 'PACKAGES', 'CONFIG', 'ROUTES', 'EVENTS'] as $cache) {
    $_ENV["APP_{$cache}_CACHE"] ??= "{$var}/cache/" . strtolower($cache) . '.php';
}
foreach (
    [
        'cache',
        'storage/framework/views',
        'storage/framework/cache',
        'storage/logs',
        'storage/publications',
        'storage/prepared',
        'storage/logos',
    ]
    as $folder
) {
    is_dir("{$var}/{$folder}") || @mkdir("{$var}/{$folder}", 0o755, true);
}

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        web: __DIR__ . '/../routes/web.php',
        commands: __DIR__ . '/../routes/console.php',
        health: '/up',
        then: function (): void {
            Route::get('/ready', Readiness::class)->name('ready');
            require __DIR__ . '/../routes/opds.php';
            require __DIR__ . '/../routes/counter.php';
            require __DIR__ . '/../routes/lcp.php';
        },
    )
    ->withMiddleware(function (Middleware $middleware): void {
        $middleware->prepend([
            VisitorsLanguage::class,
            ProtectiveHeaders::class,
            KnownHost::class,
            ReadableInput::class,
        ]);
        $middleware->web(
            append: [SetLibraryAndLocale::class, SessionLimit::class],
            replace: [LaravelsStartSession::class => StartSession::class],
        );
        // What stands around a highlight is kept to the letter; an application takes a passphrase to the letter, too.
        $middleware->trimStrings(except: ['locator.text.before', 'locator.text.after', 'passphrase']);
        $middleware->redirectGuestsTo(
            fn(Request $request): string => $request->is('desk', 'desk/*') ? '/desk/sign-in' : '/sign-in',
        );
        $middleware->redirectUsersTo(fn(Request $request): string => $request->is('desk/*') ? '/desk' : '/porch');
        $middleware->encryptCookies(except: ['library', 'locale', 'scheme']);
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        $exceptions->dontFlash(['pin', 'new_pin', 'password', 'new_password', 'code', 'passphrase']);
        $exceptions->map(MethodNotAllowedHttpException::class, NoSuchPage::insteadOf(...));
        $exceptions->report(function (PDOException $fault): bool {
            DatabaseFaults::log($fault);

            return false;
        });
        $exceptions->render(
            fn(PDOException $fault, Request $request): ?Response => DatabaseFaults::answer($fault, $request),
        );
        // A page of ours has our name. Anything else is what the framework says when that could not be made either.
        $exceptions->respond(
            fn(Response $response, Throwable $fault, Request $request): Response => $response->isServerError() &&
            !config('app.debug') &&
            !($response instanceof JsonResponse) &&
            !str_contains((string) $response->getContent(), 'Fig Porch</title>')
                ? ReadyPage::Broken->answer($request, $response->getStatusCode())
                : $response,
        );
        $exceptions->shouldRenderJsonWhen(fn(Request $request): bool => $request->expectsJson());
    })
    ->create()
    ->useStoragePath("{$var}/storage")
    ->useEnvironmentPath($var)
    ->loadEnvironmentFrom('env');
