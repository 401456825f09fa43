<?php

declare(strict_types=1);

namespace App\Shared\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Addresses in what we answer are made of the host that was asked for; so only hosts are answered that are ours
 * (TRUSTED_HOSTS, else that of APP_URL). Others get 421, Misdirected Request (RFC 9110, 15.5.20). Who came from a page
 * of somebody else is not sent back there.
 */
final class KnownHost
{
    public function handle(Request $request, Closure $next): Response
    {
        // The raw header: what is no host name at all must not be taken for one.
        $named = strtolower((string) $request->headers->get('Host'));
        $host = (string) preg_replace('/:\d{1,5}$/D', '', $named);
        $from = strtolower((string) $request->headers->get('Referer'));
        if ($from !== '' && preg_match('~^https?://' . preg_quote($named, '~') . '(/|$)~', $from) !== 1) {
            $request->headers->remove('Referer');
        }

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
