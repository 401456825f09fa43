<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\Person;
use App\Queries\Catalogue\CatalogueSearch;
use App\Queries\Lending\CardReach;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Cookie;

/** Filters kept for the next search: with the person, or before anyone has signed in with this browser. */
final class Pins
{
    private const COOKIE = 'pins';

    private const MINUTES = 400 * 24 * 60;

    public function __construct(private readonly Current $current)
    {
    }

    /** @return array<string, string> as a query string's values, only such as a search understands */
    public function of(Request $request): array
    {
        $kept = $this->current->person->pins ?? json_decode(is_string($cookie = $request->cookie(self::COOKIE)) ? $cookie : '', true);

        return is_array($kept) ? CatalogueSearch::read(0, array_filter($kept, is_string(...)), new CardReach)->filters() : [];
    }

    /** @param  array<string, string>  $pins */
    public function keep(array $pins): void
    {
        if ($this->current->person instanceof Person) {
            $this->current->person->update(['pins' => $pins]);
        } else {
            Cookie::queue(Cookie::make(self::COOKIE, (string) json_encode($pins), self::MINUTES));
        }
    }
}
