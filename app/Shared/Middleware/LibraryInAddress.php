<?php

declare(strict_types=1);

namespace App\Shared\Middleware;

use App\Shared\RequestContext;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * A page that is another at another library says in its address at which, so that a link means the same to everybody
 * and in every window. Only where a browser says that somebody will see the address.
 */
final class LibraryInAddress
{
    public function __construct(private readonly RequestContext $current) {}

    public function handle(Request $request, Closure $next): Response
    {
        if (!self::isSeen($request) || $request->query('library') !== null) {
            return $next($request);
        }
        $address = $this->current->link($request->getRequestUri());
        if ($address === $request->getRequestUri()) {
            return $next($request);
        }
        $request->session()->reflash();

        return redirect($address);
    }

    /** Whether it is for the page itself, with its address above it (Fetch Metadata Request Headers, W3C). */
    public static function isSeen(Request $request): bool
    {
        return $request->isMethod('GET') && $request->header('Sec-Fetch-Dest') === 'document';
    }
}
