<?php

declare(strict_types=1);

namespace App\Shared\Middleware;

use App\Models\Card;
use App\Models\Person;
use App\Shared\RequestContext;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\App;
use Symfony\Component\HttpFoundation\Cookie;
use Symfony\Component\HttpFoundation\Response;

/** Finds the library (asked for, remembered, or that of the card) and the language of this request. */
final class SetLibraryAndLocale
{
    private const REMEMBER_DAYS = 400;

    public function __construct(private readonly RequestContext $current) {}

    public function handle(Request $request, Closure $next): Response
    {
        $person = $request->user('web');
        $this->current->person = $person instanceof Person ? $person : null;
        $libraries = $this->current->libraries();
        $this->current->person
            ?->load('cards')
            ->cards->each(fn(Card $card) => $card->setRelation('library', $libraries->find($card->library_id)));
        $slug = $this->named($request->query('library')) ?? ($this->cameFrom($request) ?? $request->cookie('library'));
        $this->current->library =
            $libraries->firstWhere('slug', $slug) ??
            ($libraries->firstWhere('id', $this->current->person?->cards->first()?->library_id) ??
                ($libraries->count() === 1 ? $libraries->first() : null));

        $asked = $request->query('library');
        $this->current->unknownLibrary =
            is_string($asked) && $asked !== '' && $this->named($asked) === null ? $asked : null;

        App::setLocale($this->language($request));

        $response = $next($request);
        // A panel in place can be of another card's library; the page stays where it is.
        if (
            $this->current->library !== null &&
            !$request->hasHeader('HX-Request') &&
            $request->cookie('library') !== $this->current->library->slug
        ) {
            $response->headers->setCookie(
                Cookie::create(
                    'library',
                    $this->current->library->slug,
                    time() + self::REMEMBER_DAYS * 86400,
                    secure: $request->isSecure(),
                ),
            );
        }

        return $response;
    }

    /** A library that an address names; what names none counts as nothing said. */
    private function named(mixed $slug): ?string
    {
        return $this->current->libraries()->firstWhere('slug', $slug)?->slug;
    }

    /** The library of the page on which this was asked for: another window may have chosen another meanwhile. */
    private function cameFrom(Request $request): ?string
    {
        $referer = (string) $request->headers->get('referer');
        if (!str_starts_with($referer, $request->getSchemeAndHttpHost() . '/')) {
            return null;
        }
        parse_str((string) parse_url($referer, PHP_URL_QUERY), $said);

        return $this->named($said['library'] ?? null);
    }

    /**
     * What is chosen in this browser goes before what is chosen with the card, and that before what the browser asks
     * for; of the languages that the library offers. To who wants another it speaks its first.
     */
    private function language(Request $request): string
    {
        $offered = $this->current->library->languages ?? VisitorsLanguage::known();
        foreach ([VisitorsLanguage::chosen($request), $this->current->person?->locale] as $chosen) {
            if (in_array($chosen, $offered, true)) {
                return $chosen;
            }
        }

        return $request->getPreferredLanguage($offered) ?? $offered[0];
    }
}
