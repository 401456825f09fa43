<?php

declare(strict_types=1);

// Open formats in and out.

use App\Exchange\Almanac\AlmanacFileController;
use App\Exchange\Bibliography\BasketExportController;
use App\Exchange\Bibliography\CitationFile;
use App\Exchange\Bibliography\TitleFileController;
use App\Exchange\Calendar\CalendarController;
use App\Exchange\Counter\CountsUse;
use App\Exchange\Lcp\PassphraseController;
use App\Exchange\LibrarySystem\ShelvesController;
use App\Exchange\OpenId\SchoolController;
use App\Exchange\OwnData\OwnDataFileController;
use App\Exchange\Packages\DownloadController;
use App\Exchange\Packages\Downloads;
use App\Exchange\Push\DeviceController;
use App\Exchange\Sending\PlacesController;
use App\Exchange\Sending\SendingController;
use App\Exchange\SiteMap\SiteMapController;
use App\Lending\Loans\RequireOpenLoan;
use App\Shared\Middleware\HalfOfWorkers;
use App\Shared\Middleware\RequireLibrary;
use Illuminate\Support\Facades\Route;

Route::get('/calendar/{key}.ics', [CalendarController::class, 'show'])
    ->where('key', '[A-Za-z0-9]{40}')
    ->name('calendar');

Route::get('/titles/{title}.{kind}', TitleFileController::class)
    ->whereIn('kind', array_keys(CitationFile::TYPES))
    ->name('titles.file')
    ->middleware(['throttle:exports', CountsUse::class . ':citation']);
Route::get('/sitemap.xml', [SiteMapController::class, 'index'])->name('site-map');
Route::get('/sitemap-{part}.xml', [SiteMapController::class, 'part'])
    ->where('part', '[0-9]{1,6}')
    ->name('site-map.part');
Route::get('/robots.txt', [SiteMapController::class, 'robots'])->name('robots');

Route::middleware(RequireLibrary::class)->group(function (): void {
    Route::get('/titles/{title}/shelves', ShelvesController::class)->name('shelves')->middleware('throttle:shelves');
    Route::get('/baskets/{basket}/bibliography', [BasketExportController::class, 'bibliography'])
        ->name('baskets.bibliography')
        ->middleware('throttle:exports')
        ->can('own', 'basket');
    Route::get('/baskets/{basket}/basket.{kind}', [BasketExportController::class, 'file'])
        ->whereIn('kind', ['csv', 'ris', 'bib', 'json'])
        ->name('baskets.file')
        ->middleware('throttle:exports')
        ->can('own', 'basket');
});

Route::middleware('guest:web')->group(function (): void {
    Route::get('/sign-in/school', [SchoolController::class, 'begin'])
        ->name('school.begin')
        ->middleware(RequireLibrary::class);
    Route::get('/sign-in/school/callback', [SchoolController::class, 'callback'])->name('school.callback');
});

Route::middleware(['auth:web', 'throttle:exports'])->group(function (): void {
    Route::get('/settings/kept/take', OwnDataFileController::class)->name('kept.take');
    Route::get('/almanac/almanac.{kind}', AlmanacFileController::class)
        ->whereIn('kind', ['csv', 'json'])
        ->name('almanac.file');
});

Route::middleware('auth:web')->group(function (): void {
    Route::post('/settings/calendar', [CalendarController::class, 'renew'])->name('settings.calendar');
    Route::post('/settings/passphrase', PassphraseController::class)
        ->name('settings.passphrase')
        ->middleware('throttle:sendings');
    Route::post('/settings/devices', [DeviceController::class, 'add'])->name('devices.add');
    Route::post('/settings/devices/forget', [DeviceController::class, 'forget'])->name('devices.forget');
    // Clicked twice, it is gone already: that is no error.
    Route::post('/settings/devices/{device}/remove', [DeviceController::class, 'remove'])
        ->name('devices.remove')
        ->can('own', 'device')
        ->missing(fn() => redirect()->route('settings'));
    Route::get('/loans/{loan}/download/{kind}', DownloadController::class)
        ->whereIn('kind', Downloads::KINDS)
        ->name('download')
        ->can('own', 'loan')
        ->middleware([
            RequireOpenLoan::class,
            'throttle:exports',
            HalfOfWorkers::class . ':packing',
            CountsUse::class . ':file',
        ]);
});

Route::middleware('auth:web')->group(function (): void {
    Route::get('/sendings', [SendingController::class, 'index'])->name('sendings.index');
    Route::middleware('throttle:sendings')->group(function (): void {
        Route::post('/loans/{loan}/send', [SendingController::class, 'book'])
            ->name('sendings.book')
            ->can('own', 'loan')
            ->middleware(RequireOpenLoan::class);
        Route::post('/loans/{loan}/pages/{from}-{to}/send', [SendingController::class, 'pages'])
            ->where(['from' => '[0-9]{1,9}', 'to' => '[0-9]{1,9}'])
            ->name('sendings.pages')
            ->can('own', 'loan')
            ->middleware(RequireOpenLoan::class);
        Route::post('/titles/{title}/cite/send', [SendingController::class, 'citation'])->name('sendings.citation');
        Route::post('/baskets/{basket}/bibliography/send', [SendingController::class, 'bibliography'])
            ->name('sendings.bibliography')
            ->can('own', 'basket');
        Route::post('/settings/e-reader', [PlacesController::class, 'eReader'])->name('settings.e_reader');
        Route::post('/settings/e-reader/confirm', [PlacesController::class, 'confirm'])->name(
            'settings.e_reader.confirm',
        );
        Route::post('/settings/folder', [PlacesController::class, 'folder'])
            ->name('settings.folder')
            ->middleware(HalfOfWorkers::class . ':asking');
    });
    Route::post('/settings/e-reader/remove', [PlacesController::class, 'removeEReader'])->name(
        'settings.e_reader.remove',
    );
    Route::post('/settings/folder/remove', [PlacesController::class, 'removeFolder'])->name('settings.folder.remove');
});
