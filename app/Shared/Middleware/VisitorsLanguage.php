<?php

declare(strict_types=1);

namespace App\Shared\Middleware;

use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\App;
use Symfony\Component\HttpFoundation\Response;

/** The language in which a visitor is spoken to, known before anything else is looked at and so before it can fail. */
final class VisitorsLanguage
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        App::setLocale(self::of($request));

        return $next($request);
    }

    /** What this browser has chosen, else the first of ours that it names. */
    public static function of(Request $request): string
    {
        return self::chosen($request) ?? ($request->getPreferredLanguage(self::known()) ?? App::getFallbackLocale());
    }

    public static function chosen(Request $request): ?string
    {
        $chosen = $request->cookies->get('locale');

        return is_string($chosen) && in_array($chosen, self::known(), true) ? $chosen : null;
    }

    /** @return list<string> */
    public static function known(): array
    {
        return array_map(strval(...), array_keys((array) config('app.locales')));
    }
}
