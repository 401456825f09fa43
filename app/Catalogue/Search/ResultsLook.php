<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

use App\Shared\PreferenceStore;
use Illuminate\Http\Request;

/** How somebody likes to see what a search finds. */
final readonly class ResultsLook
{
    /**
     * @param  bool  $covers  side by side, otherwise rows
     * @param  bool  $byWork  all of a work together, otherwise each title by itself
     */
    public function __construct(public bool $covers = false, public bool $byWork = true) {}

    public static function kept(PreferenceStore $store, Request $request): self
    {
        $kept = $store->get($request, 'results');

        return new self(($kept['covers'] ?? false) === true, ($kept['by_work'] ?? true) !== false);
    }

    public function keep(PreferenceStore $store): void
    {
        $store->put('results', ['covers' => $this->covers, 'by_work' => $this->byWork]);
    }
}
