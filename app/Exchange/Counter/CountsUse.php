<?php

declare(strict_types=1);

namespace App\Exchange\Counter;

use App\Models\Loan;
use App\Models\Title;
use App\Shared\Input;
use App\Shared\RequestContext;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Routes through which a title is looked at, read or taken, and searches: noted when the answer has been sent. */
final class CountsUse
{
    public function __construct(private readonly RequestContext $current, private readonly RecordUse $record) {}

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next, string $act): Response
    {
        $request->attributes->set(self::class, Act::from($act));

        return $next($request);
    }

    public function terminate(Request $request, Response $response): void
    {
        $act = $request->attributes->get(self::class);
        // What a browser fetches before anybody asked is no use.
        $isAhead = str_contains((string) $request->headers->get('Sec-Purpose'), 'prefetch');
        if (!($act instanceof Act) || $isAhead || !$request->isMethod('GET') || $response->getStatusCode() !== 200) {
            return;
        }
        $loan = $request->route('loan');
        $title = $request->route('title');
        $library = $loan instanceof Loan ? $loan->card?->library_id : $this->current->library?->id;
        $titleId = match (true) {
            $loan instanceof Loan => $loan->title_id,
            $title instanceof Title && $title->format->isLent() => $title->id,
            default => null,
        };
        $words = $act === Act::Search ? self::words($request) : '';
        if ($library !== null && ($act === Act::Search ? $words !== '' : $titleId !== null)) {
            ($this->record)($request, $act, $library, $titleId, $words);
        }
    }

    /** What is looked for anew: who turns a page of what was found, or chooses among it, does not search again. */
    private static function words(Request $request): string
    {
        $words = mb_strtolower(trim(Input::text($request, 'q')));
        $from = (string) ($request->headers->get('HX-Current-URL') ?? $request->headers->get('Referer'));
        parse_str((string) parse_url($from, PHP_URL_QUERY), $before);
        $isSame =
            parse_url($from, PHP_URL_PATH) === $request->getPathInfo() &&
            is_string($before['q'] ?? null) &&
            mb_strtolower(trim($before['q'])) === $words;

        return $isSame || Input::text($request, 'page') !== '' ? '' : $words;
    }
}
