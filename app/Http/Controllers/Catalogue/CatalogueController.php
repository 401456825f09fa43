<?php

declare(strict_types=1);

namespace App\Http\Controllers\Catalogue;

use App\Http\Current;
use App\Models\StaffList;
use App\Queries\Catalogue\CatalogueSearch;
use App\Queries\Catalogue\SearchTitles;
use App\Queries\Lending\OwnItems;
use App\Queries\Lending\Standings;
use FigPorch\Core\Catalogue\Format;
use Illuminate\Http\Request;
use Illuminate\View\View;

final class CatalogueController
{
    public function __invoke(Request $request, Current $current, SearchTitles $searchTitles, Standings $standings, OwnItems $ownItems): View
    {
        $library = $current->requiredLibrary();
        $now = now()->toImmutable();
        $list = StaffList::query()->where('library_id', $library->id)->find((int) $request->query('list', '0'));
        $search = new CatalogueSearch(
            libraryId: $library->id,
            words: mb_substr($request->string('q')->trim()->value(), 0, 400),
            format: Format::tryFrom($request->string('format')->value()),
            readyNow: $request->boolean('ready'),
            staffListId: $list?->id,
            order: $request->string('order')->value(),
        );
        $page = $searchTitles->page($search, $now)->withQueryString();
        $ids = $page->getCollection()->modelKeys();

        return view('catalogue.index', [
            'search' => $search,
            'list' => $list,
            'page' => $page,
            'counts' => $searchTitles->counts($search, $now),
            'standings' => $standings->of($library, $page->getCollection(), $current->card(), $now),
            'own' => $ownItems->of($current->person, $ids, $now),
        ]);
    }
}
