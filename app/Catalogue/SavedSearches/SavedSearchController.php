<?php

declare(strict_types=1);

namespace App\Catalogue\SavedSearches;

use App\Catalogue\Search\CatalogueSearch;
use App\Catalogue\Search\SearchRequest;
use App\Lending\LoanRules\CardEligibility;
use App\Models\SavedSearch;
use App\Shared\Input;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** Searches that a person keeps. */
final class SavedSearchController
{
    private const NAME = 120;

    public function __construct(private readonly RequestContext $current) {}

    public function index(CatalogueSearch $catalogue): View
    {
        $now = CarbonImmutable::now();
        $saved = SavedSearch::query()
            ->where('person_id', $this->current->requiredPerson()->id)
            ->with('library')
            ->orderBy('name')
            ->orderBy('id')
            ->get();

        return view('catalogue.saved-searches.saved-searches', [
            'saved' => $saved,
            'counts' => $saved
                ->mapWithKeys(
                    fn(SavedSearch $of): array => [
                        $of->id => $catalogue->total(
                            SearchRequest::read($of->library_id, $of->search, new CardEligibility()),
                            $now,
                        ),
                    ],
                )
                ->all(),
        ]);
    }

    public function save(Request $request, KeepSearch $keep): RedirectResponse
    {
        $person = $this->current->requiredPerson();
        $library = $this->current->requiredLibrary();
        $search = SearchRequest::read($library->id, Input::query($request, 'search'), new CardEligibility());
        $kept = array_diff_key($search->with([]), ['order' => 1, 'list' => 1]);
        $name = mb_substr(Input::text($request, 'name'), 0, self::NAME);
        $refusal = match (true) {
            $kept === [] => 'needs_search',
            $name === '' => 'needs_search_name',
            !$keep(
                person: $person,
                library: $library,
                name: $name,
                search: $kept,
                tells: $request->boolean('tells'),
                now: CarbonImmutable::now(),
            )
                => 'too_many_saved',
            default => null,
        };

        return $refusal === null
            ? redirect()->route('searches.index')->with('said', __('search.saved', ['name' => $name]))
            : redirect()
                ->route('catalogue', $search->with([]))
                ->with('refusal', __("search.{$refusal}", ['most' => KeepSearch::MOST]));
    }

    public function tell(Request $request, SavedSearch $saved, KeepSearch $keep): RedirectResponse
    {
        $keep->tell($saved, $request->boolean('tells'), CarbonImmutable::now());

        return redirect()
            ->route('searches.index')
            ->with('said', __($saved->tells ? 'search.will_tell' : 'search.will_not_tell', ['name' => $saved->name]));
    }

    public function remove(SavedSearch $saved, KeepSearch $keep): RedirectResponse
    {
        $keep->remove($saved);

        return redirect()->route('searches.index')->with('said', __('search.unsaved', ['name' => $saved->name]));
    }
}
