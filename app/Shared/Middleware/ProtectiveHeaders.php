<?php

declare(strict_types=1);

namespace App\Shared\Middleware;

use App\Shared\ResponseHeaders;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** The headers that every page carries; a controller may set a Content-Security-Policy of its own before. */
final class ProtectiveHeaders
{
    private const POLICY =
        "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data:; font-src 'self'; " .
        "media-src 'self'; connect-src 'self'; manifest-src 'self'; form-action 'self'; " .
        "base-uri 'none'; frame-ancestors 'none'";

    /**
     * The reader shows publications in frames made from blobs, with the styles they bring. Frames have no scripts
     * (sandbox), and scripts come from this site alone, so nothing inside a book runs.
     */
    public const READER_POLICY =
        "default-src 'none'; script-src 'self'; style-src 'self' blob: 'unsafe-inline'; img-src 'self' blob: data:; " .
        "font-src 'self' blob: data:; media-src 'self' blob:; frame-src blob:; connect-src 'self' blob:; " .
        "form-action 'self'; base-uri 'none'; frame-ancestors 'none'";

    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        $headers = ['Content-Security-Policy' => self::POLICY, ...ResponseHeaders::ofEveryAnswer()];
        if ($request->isSecure()) {
            $headers['Strict-Transport-Security'] = 'max-age=31536000';
        }
        // What is for everybody, and may lie in caches that many share, brings nobody a session.
        if ($response->headers->hasCacheControlDirective('public')) {
            $response->headers->remove('Set-Cookie');
        }
        foreach ($headers as $name => $value) {
            if (!$response->headers->has($name)) {
                $response->headers->set($name, $value);
            }
        }

        return $response;
    }
}
