<?php

declare(strict_types=1);

namespace App\Exchange\Counter;

use Closure;
use FigPorch\Core\Exchange\Counter\CounterError;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** For programs that fetch reports of use: whatever is refused on the way is said as they know it. */
final class AnswerReports
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $request->headers->set('Accept', 'application/json');
        $response = $next($request);
        $said = json_decode((string) $response->getContent(), true);
        if ($response->getStatusCode() < 400 || isset(((array) $said)['Code'])) {
            return $response;
        }
        $answer = CounterAnswer::refused(
            match ($response->getStatusCode()) {
                429 => CounterError::TooManyRequests,
                404, 405 => CounterError::ReportNotSupported,
                default => CounterError::ServiceNotAvailable,
            },
        );
        $after = $response->headers->get('Retry-After');
        $after === null || $answer->headers->set('Retry-After', $after);

        return $answer;
    }
}
