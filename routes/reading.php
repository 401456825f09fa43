<?php

declare(strict_types=1);

// Reading, listening, watching, and what one does with a text.

use App\Exchange\Counter\CountsUse;
use App\Lending\Loans\RequireOpenLoan;
use App\Reading\Appearance\AppearanceController;
use App\Reading\Dictionary\DictionaryController;
use App\Reading\Excerpts\ExcerptController;
use App\Reading\Marks\ColourNamesController;
use App\Reading\Marks\MarkController;
use App\Reading\Offline\MobileDataController;
use App\Reading\Offline\OfflineController;
use App\Reading\Pages\CopyController;
use App\Reading\Pages\PageController;
use App\Reading\Places\PlaceController;
use App\Reading\Player\PlayController;
use App\Reading\Prepared\PreparedFileController;
use App\Reading\Reader\DocumentsController;
use App\Reading\Reader\ReadController;
use App\Reading\Sections\SectionController;
use App\Reading\Speech\SpeechController;
use App\Shared\Middleware\HalfOfWorkers;
use App\Shared\Middleware\LibraryInAddress;
use App\Shared\Middleware\RequireLibrary;
use Illuminate\Support\Facades\Route;

Route::get('/offline', [OfflineController::class, 'device'])->name('offline');
Route::get('/dictionary', DictionaryController::class)->name('dictionary');
Route::get('/titles/{title}/excerpt', [ExcerptController::class, 'show'])
    ->name('excerpt.show')
    ->middleware(CountsUse::class . ':excerpt');
Route::get('/titles/{title}/excerpt/files/{path}', [ExcerptController::class, 'file'])->name('excerpt.file');

Route::get('/titles/{title}/excerpt/picture.jpg', [ExcerptController::class, 'picture'])->name('excerpt.picture');

Route::get('/titles/{title}/sections/{section}', SectionController::class)
    ->where('section', '[1-9][0-9]{0,5}(-[^/]{1,200})?')
    ->name('sections.show')
    ->middleware([RequireLibrary::class, LibraryInAddress::class]);

Route::middleware('auth:web')->group(function (): void {
    Route::get('/loans/{loan}/read', [ReadController::class, 'show'])
        ->name('read.show')
        ->can('own', 'loan')
        ->middleware([RequireOpenLoan::class, CountsUse::class . ':reading']);
    Route::get('/loans/{loan}/{way}', [PlayController::class, 'show'])
        ->whereIn('way', ['listen', 'watch'])
        ->name('play.show')
        ->can('own', 'loan')
        ->middleware([RequireOpenLoan::class, CountsUse::class . ':reading']);
    Route::get('/loans/{loan}/playing', [PlayController::class, 'small'])
        ->name('play.small')
        ->can('own', 'loan')
        ->middleware(RequireOpenLoan::class);
    Route::get('/loans/{loan}/files/{path}', [ReadController::class, 'file'])
        ->name('read.file')
        ->can('own', 'loan')
        ->middleware(RequireOpenLoan::class);
    Route::get('/loans/{loan}/documents', DocumentsController::class)
        ->name('read.documents')
        ->can('own', 'loan')
        ->middleware(RequireOpenLoan::class);
    Route::post('/settings/reading', AppearanceController::class)->name('settings.reading');
    Route::post('/settings/mobile-data', MobileDataController::class)->name('settings.mobile');
    Route::get('/offline/loans', [OfflineController::class, 'loans'])->name('offline.loans');
    Route::get('/loans/{loan}/offline', [OfflineController::class, 'files'])
        ->name('offline.files')
        ->can('own', 'loan')
        ->middleware([RequireOpenLoan::class, CountsUse::class . ':file']);
    Route::get('/loans/{loan}/places', [PlaceController::class, 'index'])
        ->name('places.index')
        ->can('own', 'loan');
    Route::get('/loans/{loan}/marks', [MarkController::class, 'in'])
        ->name('marks.in')
        ->can('own', 'loan');
    Route::put('/loans/{loan}/marks/{mark}', [MarkController::class, 'keep'])
        ->whereUuid('mark')
        ->name('marks.keep')
        ->can('own', 'loan')
        ->middleware('throttle:marks');
    Route::get('/marks', [MarkController::class, 'index'])->name('marks.index');
    Route::post('/marks/colours', ColourNamesController::class)->name('marks.colours');
    Route::get('/titles/{title}/marks', [MarkController::class, 'work'])->name('marks.work');
    Route::get('/marks/marks.{kind}', [MarkController::class, 'file'])
        ->whereIn('kind', ['md', 'jsonld'])
        ->name('marks.file')
        ->middleware('throttle:exports');
    Route::post('/marks/{mark}/remove', [MarkController::class, 'remove'])
        ->whereUuid('mark')
        ->name('marks.remove')
        ->can('own', 'mark');
    Route::get('/loans/{loan}/pages', [PageController::class, 'choose'])
        ->name('pages.choose')
        ->can('own', 'loan')
        ->middleware(RequireOpenLoan::class);
    Route::post('/loans/{loan}/pages', [PageController::class, 'take'])
        ->name('pages.take')
        ->can('own', 'loan')
        ->middleware(RequireOpenLoan::class);
    Route::get('/loans/{loan}/copies', [CopyController::class, 'price'])
        ->name('copies.price')
        ->can('own', 'loan')
        ->middleware(RequireOpenLoan::class);
    Route::post('/loans/{loan}/copies', [CopyController::class, 'take'])
        ->name('copies.take')
        ->can('own', 'loan')
        ->middleware(RequireOpenLoan::class);
    Route::get('/loans/{loan}/pages/{from}-{to}.pdf', [PageController::class, 'pdf'])
        ->where(['from' => '[0-9]{1,9}', 'to' => '[0-9]{1,9}'])
        ->name('pages.pdf')
        ->can('own', 'loan')
        ->middleware([
            RequireOpenLoan::class,
            'throttle:exports',
            HalfOfWorkers::class . ':drawing',
            CountsUse::class . ':file',
        ]);
    Route::get('/loans/{loan}/pages/{page}.png', [PageController::class, 'picture'])
        ->where('page', '[0-9]{1,9}')
        ->name('pages.picture')
        ->can('own', 'loan')
        ->middleware([RequireOpenLoan::class, HalfOfWorkers::class . ':drawing']);
    Route::get('/loans/{loan}/pages/{from}-{to}', [PageController::class, 'show'])
        ->where(['from' => '[0-9]{1,9}', 'to' => '[0-9]{1,9}'])
        ->name('pages.show')
        ->can('own', 'loan')
        ->middleware([RequireOpenLoan::class, HalfOfWorkers::class . ':drawing']);
    Route::middleware(['can:own,loan', RequireOpenLoan::class])
        ->prefix('/loans/{loan}/prepared/{preparedFile}')
        ->scopeBindings()
        ->group(function (): void {
            Route::get('/', [PreparedFileController::class, 'show'])->name('prepared.show');
            Route::get('/file', [PreparedFileController::class, 'file'])
                ->name('prepared.file')
                ->middleware(['throttle:exports', CountsUse::class . ':file']);
            Route::post('/again', [PreparedFileController::class, 'again'])
                ->name('prepared.again')
                ->middleware('throttle:exports');
        });
    Route::post('/loans/{loan}/speech', SpeechController::class)
        ->name('speech')
        ->can('own', 'loan')
        ->middleware([RequireOpenLoan::class, 'throttle:speech', HalfOfWorkers::class . ':speaking']);
    Route::put('/loans/{loan}/place', [PlaceController::class, 'keep'])
        ->name('places.keep')
        ->can('own', 'loan')
        ->middleware(RequireOpenLoan::class);
});
