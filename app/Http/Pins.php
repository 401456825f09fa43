<?php

declare(strict_types=1);

namespace App\Http;

use App\Queries\Catalogue\CatalogueSearch;
use App\Queries\Lending\CardReach;
use Illuminate\Http\Request;

/** Filters kept for the next search. */
final class Pins
{
    public function __construct(private readonly Kept $kept)
    {
    }

    /** @return array<string, string> as a query string's values, only such as a search understands */
    public function of(Request $request): array
    {
        return CatalogueSearch::read(0, array_filter($this->kept->get($request, 'pins'), fn (mixed $value, int|string $name): bool => is_string($value) && is_string($name), ARRAY_FILTER_USE_BOTH), new CardReach)->filters();
    }

    /** @param  array<string, string>  $pins */
    public function keep(array $pins): void
    {
        $this->kept->put('pins', $pins);
    }
}
