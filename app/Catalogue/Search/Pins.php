<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

use App\Lending\LoanRules\CardEligibility;
use App\Shared\PreferenceStore;
use Illuminate\Http\Request;

/** Filters kept for the next search. */
final class Pins
{
    public function __construct(private readonly PreferenceStore $kept) {}

    /** @return array<string, string> as a query string's values, only such as a search understands */
    public function of(Request $request): array
    {
        return SearchRequest::read(
            0,
            array_filter(
                $this->kept->get($request, 'pins'),
                fn(mixed $value, int|string $name): bool => is_string($value) && is_string($name),
                ARRAY_FILTER_USE_BOTH,
            ),
            new CardEligibility(),
        )->narrowing();
    }

    /** @param  array<string, string>  $pins */
    public function keep(array $pins): void
    {
        $this->kept->put('pins', $pins);
    }
}
