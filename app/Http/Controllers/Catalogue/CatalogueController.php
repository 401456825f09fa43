<?php

declare(strict_types=1);

namespace App\Http\Controllers\Catalogue;

use App\Http\Current;
use App\Http\Input;
use App\Models\StaffList;
use App\Queries\Catalogue\CatalogueSearch;
use App\Queries\Catalogue\SearchTitles;
use App\Queries\Lending\OwnItems;
use App\Queries\Lending\PayMonth;
use App\Queries\Lending\Standings;
use FigPorch\Core\Catalogue\Format;
use Illuminate\Http\Request;
use Illuminate\View\View;

final class CatalogueController
{
    public function __invoke(Request $request, Current $current, SearchTitles $searchTitles, Standings $standings, OwnItems $ownItems, PayMonth $payMonth): View
    {
        $library = $current->requiredLibrary();
        $now = now()->toImmutable();
        $list = StaffList::query()->where('library_id', $library->id)->find((int) Input::text($request, 'list'));
        $search = new CatalogueSearch(
            libraryId: $library->id,
            words: mb_substr(Input::text($request, 'q'), 0, 400),
            format: Format::tryFrom(Input::text($request, 'format')),
            readyNow: Input::text($request, 'ready') === '1',
            staffListId: $list?->id,
            order: Input::text($request, 'order'),
            reach: $payMonth->reach($current->card(), $library, $now),
        );
        $counts = $searchTitles->counts($search, $now);
        $page = $searchTitles->page($search, $counts['total'], $now)->withQueryString();

        return view('catalogue.index', [
            'search' => $search,
            'list' => $list,
            'page' => $page,
            'counts' => $counts,
            'standings' => $standings->of($library, $page->getCollection(), $current->card(), $now),
            'own' => $ownItems->of($current->person, $page->getCollection(), $now),
        ]);
    }
}
