<?php

declare(strict_types=1);

// Borrowing, holds and requests; the Porch.

use App\Lending\Borrowing\BorrowController;
use App\Lending\Cards\CardController;
use App\Lending\Classes\ClassesController;
use App\Lending\Follows\FollowController;
use App\Lending\Holdings\LentHere;
use App\Lending\Holdings\WebsiteController;
use App\Lending\Holds\HoldController;
use App\Lending\Household\HouseholdController;
use App\Lending\LoanRules\LengthsController;
use App\Lending\Loans\LoanController;
use App\Lending\OwnCards\OwnCardsController;
use App\Lending\Porch\PorchController;
use App\Lending\Requests\RequestController;
use App\Shared\Middleware\HalfOfWorkers;
use App\Shared\Middleware\RequireLibrary;
use Illuminate\Support\Facades\Route;

Route::middleware('auth:web')->group(function (): void {
    Route::get('/porch', PorchController::class)->name('porch');
    Route::get('/cards/{card}', CardController::class)->name('cards.show')->can('own', 'card');
    Route::post('/settings/lengths', LengthsController::class)->name('settings.lengths');
    Route::get('/settings/cards/add', [OwnCardsController::class, 'create'])->name('own_cards.create');
    Route::post('/settings/cards', [OwnCardsController::class, 'add'])->name('own_cards.add');
    Route::post('/settings/cards/{card}/name', [OwnCardsController::class, 'name'])
        ->name('own_cards.name')
        ->can('own', 'card');
    Route::post('/settings/cards/{card}/first', [OwnCardsController::class, 'putFirst'])
        ->name('own_cards.first')
        ->can('own', 'card');
    Route::post('/settings/cards/{card}/remove', [OwnCardsController::class, 'remove'])
        ->name('own_cards.remove')
        ->can('own', 'card');
    Route::get('/household', [HouseholdController::class, 'index'])->name('household');
    Route::post('/household', [HouseholdController::class, 'add'])->name('household.add');
    Route::post('/household/{card}/end', [HouseholdController::class, 'end'])
        ->name('household.end')
        ->can('endHousehold', 'card');
    Route::post('/household/{card}/holds/{title}', [HouseholdController::class, 'hold'])
        ->name('household.hold')
        ->can('lookAfter', 'card')
        ->middleware([LentHere::class, HalfOfWorkers::class . ':title']);
    Route::post('/household/{card}/cancel/{hold}', [HouseholdController::class, 'cancel'])
        ->name('household.cancel')
        ->can('lookAfter', 'card')
        ->scopeBindings();
    Route::get('/settings/erase', [OwnCardsController::class, 'erasing'])->name('own_cards.erasing');
    Route::post('/settings/erase', [OwnCardsController::class, 'erase'])->name('own_cards.erase');
    Route::get('/loans', [LoanController::class, 'index'])->name('loans.index');
    Route::post('/loans/{loan}/return', [LoanController::class, 'return'])
        ->name('loans.return')
        ->can('own', 'loan')
        ->middleware(HalfOfWorkers::class . ':title');
    Route::post('/loans/{loan}/undo-return', [LoanController::class, 'undoReturn'])
        ->name('loans.undo-return')
        ->can('own', 'loan')
        ->middleware(HalfOfWorkers::class . ':title');
    Route::post('/loans/{loan}/longer', [LoanController::class, 'longer'])
        ->name('loans.longer')
        ->can('own', 'loan')
        ->middleware(HalfOfWorkers::class . ':title');
    Route::post('/loans/{loan}/renew', [LoanController::class, 'renew'])
        ->name('loans.renew')
        ->can('own', 'loan')
        ->middleware(HalfOfWorkers::class . ':title');
    Route::prefix('/classes')
        ->name('classes.')
        ->group(function (): void {
            Route::get('/', [ClassesController::class, 'index'])->name('index');
            Route::post('/', [ClassesController::class, 'make'])->name('make');
            Route::post('/join', [ClassesController::class, 'join'])
                ->name('join')
                ->middleware('throttle:holds');
            Route::post('/{class}/leave', [ClassesController::class, 'leave'])
                ->name('leave')
                ->can('attend', 'class');
            Route::middleware('can:teach,class')
                ->prefix('/{class}')
                ->scopeBindings()
                ->group(function (): void {
                    Route::get('/', [ClassesController::class, 'show'])->name('show');
                    Route::post('/end', [ClassesController::class, 'end'])->name('end');
                    Route::post('/remove', [ClassesController::class, 'remove'])->name('remove');
                    Route::post('/sets', [ClassesController::class, 'give'])->name('give');
                    Route::post('/sets/{set}/take-back', [ClassesController::class, 'takeBack'])->name('take_back');
                });
        });
    Route::get('/titles/{title}/for-class', [ClassesController::class, 'choose'])
        ->name('classes.choose')
        ->middleware(LentHere::class);
    Route::get('/holds', [HoldController::class, 'index'])->name('holds.index');
    Route::post('/holds/spread', [HoldController::class, 'spread'])->name('holds.spread');
    Route::post('/holds/{hold}/pause', [HoldController::class, 'pause'])
        ->name('holds.pause')
        ->can('own', 'hold')
        ->middleware(HalfOfWorkers::class . ':title');
    Route::post('/holds/{hold}/resume', [HoldController::class, 'resume'])
        ->name('holds.resume')
        ->can('own', 'hold')
        ->middleware(HalfOfWorkers::class . ':title');
    Route::post('/holds/{hold}/at-once', [HoldController::class, 'atOnce'])
        ->name('holds.at-once')
        ->can('own', 'hold')
        ->middleware(HalfOfWorkers::class . ':title');
    Route::delete('/holds/{hold}', [HoldController::class, 'cancel'])
        ->name('holds.cancel')
        ->can('own', 'hold')
        ->middleware(HalfOfWorkers::class . ':title');
    Route::get('/requests', [RequestController::class, 'index'])->name('requests.index');
    Route::post('/requests/{asked}/withdraw', [RequestController::class, 'withdraw'])
        ->name('requests.withdraw')
        ->can('own', 'asked');
});

Route::middleware(['auth:web', RequireLibrary::class])->group(function (): void {
    Route::get('/websites/{link}', WebsiteController::class)->name('websites.open');
    Route::get('/ask', [RequestController::class, 'words'])->name('requests.words');
    Route::post('/ask', [RequestController::class, 'askInWords'])->name('requests.ask_in_words');
    Route::middleware(LentHere::class)
        ->prefix('titles/{title}')
        ->group(function (): void {
            Route::get('/borrow', [BorrowController::class, 'show'])->name('borrow.show');
            Route::post('/borrow', [BorrowController::class, 'borrow'])
                ->name('borrow.store')
                ->middleware(HalfOfWorkers::class . ':title');
            Route::get('/ask', [RequestController::class, 'show'])->name('requests.show');
            Route::post('/ask', [RequestController::class, 'ask'])->name('requests.ask');
            Route::post('/follow', FollowController::class)->name('follow');
            Route::post('/hold', [HoldController::class, 'place'])
                ->name('holds.place')
                ->middleware(['throttle:holds', HalfOfWorkers::class . ':title']);
        });
});
