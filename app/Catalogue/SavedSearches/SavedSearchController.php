<?php

declare(strict_types=1);

namespace App\Catalogue\SavedSearches;

use App\Catalogue\Search\SearchRequest;
use App\Catalogue\Search\SearchTitles;
use App\Lending\LoanRules\CardEligibility;
use App\Models\SavedSearch;
use App\Shared\Input;
use App\Shared\RequestContext;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** Searches that a person keeps. */
final class SavedSearchController
{
    private const MOST = 50;

    private const NAME = 120;

    public function __construct(private readonly RequestContext $current)
    {
    }

    public function index(SearchTitles $searchTitles): View
    {
        $now = now()->toImmutable();
        $saved = SavedSearch::query()->where('person_id', $this->current->person?->id)->with('library')->orderBy('name')->orderBy('id')->get();

        return view('catalogue.saved-searches.saved-searches', [
            'saved' => $saved, 'counts' => $saved->mapWithKeys(fn (SavedSearch $of): array => [$of->id => $searchTitles->total(SearchRequest::read($of->library_id, $of->search, new CardEligibility), $now)])->all(),
        ]);
    }

    public function save(Request $request): RedirectResponse
    {
        $person = $this->current->person ?? abort(401);
        $library = $this->current->requiredLibrary();
        $asked = [];
        parse_str(Input::text($request, 'search'), $asked);
        $search = SearchRequest::read($library->id, array_filter($asked, fn (mixed $value, int|string $name): bool => is_string($value) && is_string($name), ARRAY_FILTER_USE_BOTH), new CardEligibility);
        $kept = array_diff_key($search->with([]), ['order' => 1, 'list' => 1]);
        $name = mb_substr(Input::text($request, 'name'), 0, self::NAME);
        $refusal = match (true) {
            $kept === [] => 'needs_search',
            $name === '' => 'needs_search_name',
            SavedSearch::query()->where('person_id', $person->id)->where('name', '<>', $name)->count() >= self::MOST => 'too_many_saved',
            default => null,
        };
        if ($refusal !== null) {
            return redirect()->route('catalogue', $search->with([]))->with('refusal', __("search.{$refusal}", ['most' => self::MOST]));
        }
        SavedSearch::query()->updateOrCreate(['person_id' => $person->id, 'library_id' => $library->id, 'name' => $name], ['search' => $kept, 'tells' => $request->boolean('tells'), 'looked_at' => now()]);

        return redirect()->route('searches.index')->with('said', __('search.saved', ['name' => $name]));
    }

    public function tell(Request $request, string $saved): RedirectResponse
    {
        $saved = $this->own($saved);
        // What came while nothing was to be told is no news afterwards.
        $saved->update(['tells' => $request->boolean('tells'), 'looked_at' => now()]);

        return redirect()->route('searches.index')->with('said', __($saved->tells ? 'search.will_tell' : 'search.will_not_tell', ['name' => $saved->name]));
    }

    public function remove(string $saved): RedirectResponse
    {
        $saved = $this->own($saved);
        $saved->delete();

        return redirect()->route('searches.index')->with('said', __('search.unsaved', ['name' => $saved->name]));
    }

    private function own(string $id): SavedSearch
    {
        return ctype_digit($id) && strlen($id) < 19 ? SavedSearch::query()->where('person_id', $this->current->person?->id)->find((int) $id) ?? abort(404) : abort(404);
    }
}
