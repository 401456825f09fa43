<?php

declare(strict_types=1);

namespace App\Shared\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Addresses in what we answer are made of the host that was asked for; so only hosts are answered that are ours
 * (TRUSTED_HOSTS, else that of APP_URL). Others get 421, Misdirected Request (RFC 9110, 15.5.20).
 */
final class KnownHost
{
    public function handle(Request $request, Closure $next): Response
    {
        // The raw header: what is no host name at all must not be taken for one.
        $host = strtolower((string) preg_replace('/:\d{1,5}$/D', '', (string) $request->headers->get('Host')));

        return in_array($host, self::hosts(), true)
            ? $next($request)
            : new Response('Nothing is served here by that name. Ask for ' . config('app.url') . "\n", 421, [
                'Content-Type' => 'text/plain',
            ]);
    }

    /** @return list<string> */
    private static function hosts(): array
    {
        $own = (string) parse_url((string) config('app.url'), PHP_URL_HOST);
        $named = array_filter(array_map(trim(...), explode(',', (string) config('figporch.hosts'))));

        return array_values(array_map(strtolower(...), $named === [] ? [$own] : $named));
    }
}
