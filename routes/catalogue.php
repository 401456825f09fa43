<?php

declare(strict_types=1);

// Finding: the front door, searching, rooms, baskets, titles.

use App\Catalogue\Baskets\BasketController;
use App\Catalogue\Baskets\BasketForClassController;
use App\Catalogue\Baskets\BasketTitlesController;
use App\Catalogue\Citations\CitingController;
use App\Catalogue\Filters\Filters;
use App\Catalogue\FrontDoor\FrontDoorController;
use App\Catalogue\FrontDoor\LookController;
use App\Catalogue\Indexes\IndexController;
use App\Catalogue\Indexes\IndexKind;
use App\Catalogue\Records\CoverController;
use App\Catalogue\Records\TitleController;
use App\Catalogue\Rooms\RoomController;
use App\Catalogue\SavedSearches\SavedSearchController;
use App\Catalogue\Search\AdvancedSearchController;
use App\Catalogue\Search\CatalogueController;
use App\Catalogue\Search\OlderController;
use App\Catalogue\Search\PinController;
use App\Catalogue\Search\ResultsLookController;
use App\Catalogue\Search\ValuesController;
use App\Catalogue\StaffLists\PorchListsController;
use App\Catalogue\Suggestions\SuggestController;
use App\Exchange\Counter\CountsUse;
use App\Reading\Sections\RememberSection;
use App\Shared\Middleware\LibraryInAddress;
use App\Shared\Middleware\RequireLibrary;
use Illuminate\Support\Facades\Route;

Route::get('/', FrontDoorController::class)->name('front-door');
Route::get('/titles/{title}/cover', CoverController::class)->name('titles.cover');
Route::get('/look/{library}-{hash}.css', [LookController::class, 'css'])
    ->where('hash', '[0-9a-f]{12}')
    ->name('look.css');
Route::get('/look/{logo}.png', [LookController::class, 'logo'])
    ->where('logo', '[0-9a-f]{64}')
    ->name('look.logo');
Route::get('/titles/{title}/cite', CitingController::class)
    ->name('cite')
    ->middleware(CountsUse::class . ':citation');

Route::middleware([RequireLibrary::class, LibraryInAddress::class])->group(function (): void {
    Route::get('/catalogue', CatalogueController::class)
        ->name('catalogue')
        ->middleware(CountsUse::class . ':search');
    Route::get('/catalogue/advanced', AdvancedSearchController::class)->name('catalogue.advanced');
    Route::post('/catalogue/pins', PinController::class)->name('catalogue.pins');
    Route::get('/catalogue/choose/{filter}', ValuesController::class)
        ->name('catalogue.values')
        ->whereIn('filter', array_map(fn(string $of): string => $of::name(), Filters::lists()));
    Route::post('/catalogue/look', ResultsLookController::class)->name('catalogue.look');
    Route::get('/catalogue/{index}', IndexController::class)
        ->whereIn('index', array_column(IndexKind::cases(), 'value'))
        ->name('indexes');
    Route::get('/suggest', SuggestController::class)->name('suggest');
    Route::get('/rooms', [RoomController::class, 'index'])->name('rooms.index');
    Route::get('/rooms/{room}', [RoomController::class, 'show'])->name('rooms.show');
    Route::post('/rooms/{room}', [RoomController::class, 'choose'])->name('rooms.choose');
    Route::get('/titles/{title}', TitleController::class)
        ->name('titles.show')
        ->middleware([CountsUse::class . ':record', RememberSection::class]);
    Route::get('/titles/{title}/alike', [TitleController::class, 'alike'])->name('titles.alike');
    Route::post('/titles/{title}/basket', [BasketTitlesController::class, 'put'])->name('baskets.put');
    Route::get('/baskets', [BasketController::class, 'index'])->name('baskets.index');
    Route::post('/baskets', [BasketController::class, 'make'])->name('baskets.make');
    Route::get('/baskets/{basket}', [BasketController::class, 'show'])
        ->name('baskets.show')
        ->can('own', 'basket');
    Route::post('/baskets/{basket}', [BasketController::class, 'change'])
        ->name('baskets.change')
        ->can('own', 'basket');
    Route::get('/baskets/{basket}/for-class', BasketForClassController::class)
        ->name('baskets.for_class')
        ->middleware('auth:web')
        ->can('own', 'basket');
    Route::post('/baskets/{basket}/shift', [BasketController::class, 'shift'])
        ->name('baskets.shift')
        ->can('own', 'basket');
    Route::post('/baskets/{basket}/remove', [BasketController::class, 'remove'])
        ->name('baskets.remove')
        ->can('own', 'basket');
    Route::post('/baskets/{basket}/share', [BasketController::class, 'share'])
        ->name('baskets.share')
        ->can('own', 'basket');
    Route::post('/baskets/{basket}/titles', [BasketTitlesController::class, 'arrange'])
        ->name('baskets.titles')
        ->can('own', 'basket');
    Route::get('/shared/{key}', [BasketController::class, 'shared'])
        ->where('key', '[A-Za-z0-9]{40}')
        ->name('baskets.shared');
});

Route::middleware('auth:web')->group(function (): void {
    Route::get('/porch/lists', PorchListsController::class)->name('porch.lists');
    Route::get('/searches', [SavedSearchController::class, 'index'])->name('searches.index');
    Route::post('/searches/{saved}/tell', [SavedSearchController::class, 'tell'])
        ->name('searches.tell')
        ->can('own', 'saved');
    Route::post('/searches/{saved}/remove', [SavedSearchController::class, 'remove'])
        ->name('searches.remove')
        ->can('own', 'saved');
});

Route::middleware(['auth:web', RequireLibrary::class])->group(function (): void {
    Route::post('/searches', [SavedSearchController::class, 'save'])->name('searches.save');
    Route::post('/catalogue/older', OlderController::class)->name('catalogue.older');
});
