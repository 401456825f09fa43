<?php

declare(strict_types=1);

use App\Http\Controllers\Account\CalendarController;
use App\Http\Controllers\Account\ChooseLibraryController;
use App\Http\Controllers\Account\DeviceController;
use App\Http\Controllers\Account\FrontDoorController;
use App\Http\Controllers\Account\NoticeController;
use App\Http\Controllers\Account\PorchController;
use App\Http\Controllers\Account\PreferenceController;
use App\Http\Controllers\Account\SettingsController;
use App\Http\Controllers\Account\SignInController;
use App\Http\Controllers\Catalogue\BasketController;
use App\Http\Controllers\Catalogue\BasketExportController;
use App\Http\Controllers\Catalogue\BasketTitlesController;
use App\Http\Controllers\Catalogue\CatalogueController;
use App\Http\Controllers\Catalogue\CoverController;
use App\Http\Controllers\Catalogue\PinController;
use App\Http\Controllers\Catalogue\RoomController;
use App\Http\Controllers\Catalogue\SavedSearchController;
use App\Http\Controllers\Catalogue\SuggestController;
use App\Http\Controllers\Catalogue\TitleController;
use App\Http\Controllers\Desk\DeskRequestsController;
use App\Http\Controllers\Desk\DeskTitleController;
use App\Http\Controllers\Desk\DeskTitleRowsController;
use App\Http\Controllers\Desk\LicencesController;
use App\Http\Controllers\Desk\ListsController;
use App\Http\Controllers\Desk\StaffSignInController;
use App\Http\Controllers\Desk\TurnawaysController;
use App\Http\Controllers\Lending\BorrowController;
use App\Http\Controllers\Lending\FollowController;
use App\Http\Controllers\Lending\HoldController;
use App\Http\Controllers\Lending\LoanController;
use App\Http\Controllers\Lending\RequestController;
use App\Http\Controllers\Reading\CitingController;
use App\Http\Controllers\Reading\DictionaryController;
use App\Http\Controllers\Reading\DownloadController;
use App\Http\Controllers\Reading\ExcerptController;
use App\Http\Controllers\Reading\MarkController;
use App\Http\Controllers\Reading\OfflineController;
use App\Http\Controllers\Reading\PageController;
use App\Http\Controllers\Reading\PlaceController;
use App\Http\Controllers\Reading\PlayController;
use App\Http\Controllers\Reading\ReadController;
use App\Http\Middleware\RequireLibrary;
use Illuminate\Support\Facades\Route;

Route::pattern('title', '[0-9]{1,18}');
Route::pattern('loan', '[0-9]{1,18}');
Route::pattern('hold', '[0-9]{1,18}');
Route::pattern('asked', '[0-9]{1,18}');
Route::pattern('path', '.+');

Route::get('/', FrontDoorController::class)->name('front-door');
Route::get('/libraries', [ChooseLibraryController::class, 'index'])->name('libraries.index');
Route::post('/libraries/{library}', [ChooseLibraryController::class, 'choose'])->name('libraries.choose');
Route::post('/preferences', PreferenceController::class)->name('preferences');
Route::get('/titles/{title}/cover', CoverController::class)->name('titles.cover');
Route::get('/titles/{title}/cite', CitingController::class)->name('cite');
Route::get('/offline', [OfflineController::class, 'device'])->name('offline');
Route::get('/dictionary', DictionaryController::class)->name('dictionary');
Route::get('/titles/{title}/excerpt', [ExcerptController::class, 'show'])->name('excerpt.show');
Route::get('/titles/{title}/excerpt/files/{path}', [ExcerptController::class, 'file'])->name('excerpt.file');

Route::get('/calendar/{key}.ics', CalendarController::class)->where('key', '[A-Za-z0-9]{40}')->name('calendar');

Route::middleware(RequireLibrary::class)->group(function (): void {
    Route::get('/catalogue', CatalogueController::class)->name('catalogue');
    Route::get('/catalogue/advanced', [CatalogueController::class, 'advanced'])->name('catalogue.advanced');
    Route::post('/catalogue/pins', PinController::class)->name('catalogue.pins');
    Route::get('/suggest', SuggestController::class)->name('suggest');
    Route::get('/rooms', [RoomController::class, 'index'])->name('rooms.index');
    Route::get('/rooms/{room}', [RoomController::class, 'show'])->name('rooms.show');
    Route::post('/rooms/{room}', [RoomController::class, 'choose'])->name('rooms.choose');
    Route::get('/titles/{title}', TitleController::class)->name('titles.show');
    Route::get('/titles/{title}/alike', [TitleController::class, 'alike'])->name('titles.alike');
    Route::post('/titles/{title}/basket', [BasketTitlesController::class, 'put'])->name('baskets.put');
    Route::get('/baskets', [BasketController::class, 'index'])->name('baskets.index');
    Route::post('/baskets', [BasketController::class, 'make'])->name('baskets.make');
    Route::get('/baskets/{basket}', [BasketController::class, 'show'])->name('baskets.show');
    Route::post('/baskets/{basket}', [BasketController::class, 'change'])->name('baskets.change');
    Route::post('/baskets/{basket}/shift', [BasketController::class, 'shift'])->name('baskets.shift');
    Route::post('/baskets/{basket}/remove', [BasketController::class, 'remove'])->name('baskets.remove');
    Route::post('/baskets/{basket}/share', [BasketController::class, 'share'])->name('baskets.share');
    Route::post('/baskets/{basket}/titles', [BasketTitlesController::class, 'arrange'])->name('baskets.titles');
    Route::get('/baskets/{basket}/bibliography', [BasketExportController::class, 'bibliography'])->name('baskets.bibliography');
    Route::get('/baskets/{basket}/basket.{kind}', [BasketExportController::class, 'file'])->whereIn('kind', ['csv', 'ris', 'bib', 'json'])->name('baskets.file');
    Route::get('/shared/{key}', [BasketController::class, 'shared'])->where('key', '[A-Za-z0-9]{40}')->name('baskets.shared');
});

Route::middleware(['guest:web', RequireLibrary::class])->group(function (): void {
    Route::get('/sign-in', [SignInController::class, 'show'])->name('sign-in');
    Route::post('/sign-in', [SignInController::class, 'signIn'])->name('sign-in.store');
});

Route::middleware('auth:web')->group(function (): void {
    Route::post('/sign-out', [SignInController::class, 'signOut'])->name('sign-out');
    Route::get('/porch', PorchController::class)->name('porch');
    Route::get('/porch/lists', [PorchController::class, 'lists'])->name('porch.lists');
    Route::get('/notices', [NoticeController::class, 'index'])->name('notices');
    Route::get('/settings', [SettingsController::class, 'show'])->name('settings');
    Route::post('/settings/lengths', [SettingsController::class, 'lengths']);
    Route::post('/settings/notices', [SettingsController::class, 'notices']);
    Route::post('/settings/calendar', [SettingsController::class, 'calendar']);
    Route::post('/settings/history', [SettingsController::class, 'history']);
    Route::post('/settings/devices', [DeviceController::class, 'add']);
    Route::post('/settings/devices/forget', [DeviceController::class, 'forget']);
    Route::post('/settings/devices/{device}/remove', [DeviceController::class, 'remove'])->whereNumber('device');
    Route::get('/loans', [LoanController::class, 'index'])->name('loans.index');
    Route::post('/loans/{loan}/return', [LoanController::class, 'return'])->name('loans.return');
    Route::post('/loans/{loan}/undo-return', [LoanController::class, 'undoReturn'])->name('loans.undo-return');
    Route::post('/loans/{loan}/renew', [LoanController::class, 'renew'])->name('loans.renew');
    Route::get('/holds', [HoldController::class, 'index'])->name('holds.index');
    Route::post('/holds/spread', [HoldController::class, 'spread'])->name('holds.spread');
    Route::post('/holds/{hold}/pause', [HoldController::class, 'pause'])->name('holds.pause');
    Route::post('/holds/{hold}/resume', [HoldController::class, 'resume'])->name('holds.resume');
    Route::post('/holds/{hold}/at-once', [HoldController::class, 'atOnce'])->name('holds.at-once');
    Route::delete('/holds/{hold}', [HoldController::class, 'cancel'])->name('holds.cancel');
    Route::get('/searches', [SavedSearchController::class, 'index'])->name('searches.index');
    Route::post('/searches/{saved}/tell', [SavedSearchController::class, 'tell'])->name('searches.tell');
    Route::post('/searches/{saved}/remove', [SavedSearchController::class, 'remove'])->name('searches.remove');
    Route::get('/requests', [RequestController::class, 'index'])->name('requests.index');
    Route::post('/requests/{asked}/withdraw', [RequestController::class, 'withdraw'])->name('requests.withdraw');
    Route::get('/loans/{loan}/read', [ReadController::class, 'show'])->name('read.show');
    Route::get('/loans/{loan}/{way}', [PlayController::class, 'show'])->whereIn('way', ['listen', 'watch'])->name('play.show');
    Route::get('/loans/{loan}/files/{path}', [ReadController::class, 'file'])->name('read.file');
    Route::get('/offline/loans', [OfflineController::class, 'loans'])->name('offline.loans');
    Route::get('/loans/{loan}/offline', [OfflineController::class, 'files'])->name('offline.files');
    Route::get('/loans/{loan}/download/{kind}', DownloadController::class)->whereIn('kind', ['epub', 'pdf', 'package', 'files'])->name('download');
    Route::get('/loans/{loan}/places', [PlaceController::class, 'index'])->name('places.index');
    Route::get('/loans/{loan}/marks', [MarkController::class, 'in'])->name('marks.in');
    Route::put('/loans/{loan}/marks/{mark}', [MarkController::class, 'keep'])->whereUuid('mark')->name('marks.keep');
    Route::get('/marks', [MarkController::class, 'index'])->name('marks.index');
    Route::get('/marks/marks.{kind}', [MarkController::class, 'file'])->whereIn('kind', ['md', 'jsonld'])->name('marks.file');
    Route::post('/marks/{mark}/remove', [MarkController::class, 'remove'])->whereUuid('mark')->name('marks.remove');
    Route::get('/loans/{loan}/pages', [PageController::class, 'choose'])->name('pages.choose');
    Route::post('/loans/{loan}/pages', [PageController::class, 'take'])->name('pages.take');
    Route::get('/loans/{loan}/pages/{from}-{to}.pdf', [PageController::class, 'pdf'])->whereNumber(['from', 'to'])->name('pages.pdf');
    Route::get('/loans/{loan}/pages/{from}-{to}', [PageController::class, 'show'])->whereNumber(['from', 'to'])->name('pages.show');
    Route::put('/loans/{loan}/place', [PlaceController::class, 'keep'])->name('places.keep');

    Route::middleware(RequireLibrary::class)->group(function (): void {
        Route::get('/titles/{title}/borrow', [BorrowController::class, 'show'])->name('borrow.show');
        Route::post('/titles/{title}/borrow', [BorrowController::class, 'borrow'])->name('borrow.store');
        Route::post('/searches', [SavedSearchController::class, 'save'])->name('searches.save');
        Route::get('/titles/{title}/ask', [RequestController::class, 'show'])->name('requests.show');
        Route::post('/titles/{title}/ask', [RequestController::class, 'ask'])->name('requests.ask');
        Route::post('/titles/{title}/follow', FollowController::class)->name('follow');
        Route::post('/titles/{title}/hold', [HoldController::class, 'place'])->name('holds.place');
    });
});

Route::prefix('desk')->name('desk.')->group(function (): void {
    Route::middleware('guest:staff')->group(function (): void {
        Route::get('/sign-in', [StaffSignInController::class, 'show'])->name('sign-in');
        Route::post('/sign-in', [StaffSignInController::class, 'signIn'])->name('sign-in.store');
    });
    Route::middleware('auth:staff')->group(function (): void {
        Route::redirect('/', '/desk/licences');
        Route::post('/sign-out', [StaffSignInController::class, 'signOut'])->name('sign-out');
        Route::get('/licences', [LicencesController::class, 'index'])->name('licences');
        Route::get('/licences.csv', [LicencesController::class, 'csv'])->name('licences.csv');
        Route::get('/turnaways', [TurnawaysController::class, 'index'])->name('turnaways');
        Route::get('/turnaways.csv', [TurnawaysController::class, 'csv'])->name('turnaways.csv');
        Route::get('/turnaways/{title}', [TurnawaysController::class, 'title'])->name('turnaways.title');
        Route::get('/turnaways/{title}.csv', [TurnawaysController::class, 'titleCsv'])->name('turnaways.title.csv');
        Route::get('/lists', [ListsController::class, 'index'])->name('lists');
        Route::get('/lists/new', [ListsController::class, 'create'])->name('lists.create');
        Route::post('/lists', [ListsController::class, 'make'])->name('lists.make');
        Route::get('/lists/{list}', [ListsController::class, 'show'])->name('list');
        Route::post('/lists/{list}', [ListsController::class, 'change'])->name('list.change');
        Route::post('/lists/{list}/titles', [ListsController::class, 'titles'])->name('list.titles');
        Route::post('/lists/{list}/shift', [ListsController::class, 'shift'])->name('list.shift');
        Route::post('/lists/{list}/remove', [ListsController::class, 'remove'])->name('list.remove');
        Route::get('/requests', [DeskRequestsController::class, 'index'])->name('requests');
        Route::get('/requests.csv', [DeskRequestsController::class, 'csv'])->name('requests.csv');
        Route::get('/requests/{title}', [DeskRequestsController::class, 'show'])->name('request');
        Route::get('/requests/{title}.csv', [DeskRequestsController::class, 'titleCsv'])->name('request.csv');
        Route::post('/requests/{title}/decline', [DeskRequestsController::class, 'decline'])->name('request.decline');
        Route::get('/titles/{title}', [DeskTitleController::class, 'show'])->name('title');
        Route::get('/titles/{title}/{rows}.csv', DeskTitleRowsController::class)->whereIn('rows', ['licences', 'line', 'loans', 'months'])->name('title.csv');
        Route::get('/titles/{title}/change', [DeskTitleController::class, 'preview'])->name('preview');
        Route::post('/titles/{title}/change', [DeskTitleController::class, 'change'])->name('change');
    });
});
