<?php

declare(strict_types=1);

namespace App\Exchange\Opds;

use App\Models\Library;
use App\Shared\RequestContext;
use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\App;
use Symfony\Component\HttpFoundation\Response;

/**
 * For who asks is an application: the library is the one in the address, the language one of its own that is asked for,
 * and whatever is refused is said as problem details (RFC 9457). Nothing is remembered between two requests.
 */
final class AnswerApps
{
    public const PROBLEM = 'application/problem+json';

    public function __construct(private readonly RequestContext $current) {}

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $library = $this->current->libraries()->firstWhere('slug', $request->route('library'));
        // Faults on the way are said as data, too.
        $request->headers->set('Accept', 'application/json');
        if (!($library instanceof Library)) {
            return self::problem(404, __('opds.no_library'));
        }
        $this->current->library = $library;
        App::setLocale($request->getPreferredLanguage($library->languages) ?? $library->languages[0]);
        $response = $next($request);
        $response->headers->set('Content-Language', App::getLocale());
        // What the framework, or something on the way, refuses is a message as JSON; our own refusals have their form.
        if (!($response instanceof JsonResponse) || $response->getStatusCode() < 400) {
            return $response;
        }
        $status = $response->getStatusCode();
        $said = ((array) $response->getData(true))['message'] ?? null;

        return self::problem(
            $status,
            match (true) {
                $status === 404 => __('opds.nothing_here'),
                $status === 410 => __('opds.loan_over'),
                is_string($said) && $said !== '' => $said,
                default => __('opds.failed'),
            },
            $response->headers->get('Retry-After'),
        );
    }

    /**
     * @param  string|null  $after  seconds until it may go
     * @param  string  $type  an address that names the kind of problem
     */
    public static function problem(
        int $status,
        string $detail,
        ?string $after = null,
        string $type = 'about:blank',
    ): Response {
        $answer = Edition::json(
            [
                'type' => $type,
                'title' => Response::$statusTexts[$status],
                'status' => $status,
                'detail' => $detail,
            ],
            self::PROBLEM,
            $status,
        );
        $after === null || $answer->headers->set('Retry-After', $after);

        return $answer;
    }
}
