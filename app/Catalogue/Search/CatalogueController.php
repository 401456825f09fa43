<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

use App\Catalogue\Filters\Filters;
use App\Catalogue\Rooms\LibraryRooms;
use App\Lending\Availability\AcquisitionOptions;
use App\Lending\Availability\OwnItems;
use App\Lending\Availability\TitleAvailability;
use App\Models\StaffList;
use App\Shared\Input;
use App\Shared\Middleware\LibraryInAddress;
use App\Shared\PreferenceStore;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use FigPorch\Core\Catalogue\Reach;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

final class CatalogueController
{
    public function __construct(
        private readonly RequestContext $current,
        private readonly CatalogueSearch $catalogue,
        private readonly LibraryRooms $rooms,
    ) {}

    public function __invoke(
        Request $request,
        TitleAvailability $availability,
        AcquisitionOptions $ways,
        OwnItems $ownItems,
        AskedSearch $askedSearch,
        NoResultSuggestions $suggestions,
        Pins $pins,
        ResultRows $resultRows,
        NearSearches $nearSearches,
        PreferenceStore $kept,
    ): View|RedirectResponse {
        $library = $this->current->requiredLibrary();
        $now = CarbonImmutable::now();
        $asked = $askedSearch->values($request);
        $ticked = Filters::ticked(fn(string $boxes): array => Input::ticked($request, $boxes));
        if ($ticked !== []) {
            // However it was come to, an address says the same.
            return redirect()->route('catalogue', [...$asked, ...$ticked]);
        }
        $pinned = $pins->of($request);
        // Every link and form of the page itself names an order: where there is none, a new search begins, with what is
        // pinned.
        $asked += isset($asked['order']) || isset($asked['list']) ? [] : $pinned;
        [$search, $list] = $askedSearch->of($asked, $now);
        // What is pinned, and the order, stand in the address as well.
        if ($pinned !== [] && LibraryInAddress::isSeen($request) && !isset($asked['order']) && $list === null) {
            return redirect()->route('catalogue', [...$this->current->inAddress(), ...$search->with([])]);
        }
        $facets = $this->catalogue->facets($search, $now);
        $withoutWord = $facets->total > 0 ? [] : $suggestions->withoutWord($search, $now);
        $older = $search->withOlder();
        $page = $this->catalogue
            ->page($search, $facets->total, $now)
            ->appends([...$this->current->inAddress(), ...$search->with([])]);

        $person = $this->current->person;
        $look = ResultsLook::kept($kept, $request);
        $rows = $resultRows->of($search, $page, $look->byWork, $now);
        $near = $facets->total > 0 ? [] : $nearSearches->of($search, $withoutWord[0] ?? null, $look->byWork, $now);
        $shown = ResultRows::titles($rows, ...array_column($near, 'rows'));
        $reaches = [$search->scope->value, ...array_column(array_column($near, 'changes'), 'reach')];
        $own = $ownItems->of($person, $shown, $now, beyond: in_array(Reach::Beyond->value, $reaches, true));

        return view('catalogue.search.catalogue', [
            'search' => $search,
            'pinned' => $pinned,
            'list' => $list,
            'roomName' => $list === null ? null : $this->rooms->names($library)[$list->room] ?? null,
            'page' => $page,
            'rows' => $rows,
            'look' => $look,
            'facets' => $facets,
            'without' => $facets->total === 0 ? $suggestions->withoutFilter($search, $now) : [],
            'inSeries' => $facets->total === 0 ? $suggestions->inSeries($search, $now) : [],
            'withoutWord' => array_slice($withoutWord, 1),
            'spelling' => $facets->total === 0 && $search->words !== '' ? $suggestions->spelling($search, $now) : null,
            'near' => $near,
            'older' => $older === null ? 0 : $this->catalogue->total($older, $now) - $facets->total,
            'hasCeiling' => $search->eligibility->audiences !== null,
            'standings' => $availability->of(
                $library,
                $shown,
                $this->current->card(),
                $now,
                undated: ResultRows::beside($rows, ...array_column($near, 'rows')),
            ),
            'ways' =>
                $person !== null && in_array(Reach::Cards->value, $reaches, true)
                    ? $ways->soonestOf($library, $person, $shown, $own, $now)
                    : [],
            'own' => $own,
            'leftOut' => $this->leftOut($search, $asked, $list),
        ]);
    }

    /**
     * @param  array<string, string>  $asked
     * @return list<string> what the address asks for that is not known here, in words
     */
    private function leftOut(SearchRequest $search, array $asked, ?StaffList $list): array
    {
        return [
            ...isset($asked['list']) && $list === null ? [__('search.list')] : [],
            ...($asked['reach'] ?? '') === Reach::Cards->value && $search->otherCards === []
                ? [__('search.reaches.cards')]
                : [],
            ...isset($asked['at']) && $search->atLibraryId === null ? [__('common.library')] : [],
            ...$search->filters->notUnderstood($asked),
        ];
    }
}
