<?php

declare(strict_types=1);

// The catalogue for reading applications: without cookies and sessions.

use App\Exchange\Counter\CountsUse;
use App\Exchange\Opds\AnswerApps;
use App\Exchange\Opds\CatalogueFeedController;
use App\Exchange\Opds\OwnFeedController;
use App\Exchange\Opds\SignInOfApp;
use App\Exchange\Opds\TokenController;
use App\Exchange\Packages\Downloads;
use App\Lending\Holdings\LentHere;
use App\Lending\Loans\RequireOpenLoan;
use App\Shared\Middleware\HalfOfWorkers;
use Illuminate\Routing\Middleware\SubstituteBindings;
use Illuminate\Support\Facades\Route;

Route::prefix('/opds/{edition}/{library}')
    ->where(['edition' => '[12]', 'library' => '[a-z0-9-]{1,80}'])
    ->middleware([AnswerApps::class, SubstituteBindings::class])
    ->name('opds.')
    ->group(function (): void {
        Route::get('/authentication', [CatalogueFeedController::class, 'authentication'])->name('authentication');
        Route::get('/search', [CatalogueFeedController::class, 'search'])->name('search');
        Route::post('/token', TokenController::class)->name('token');

        Route::middleware(SignInOfApp::class)->group(function (): void {
            Route::get('/', [CatalogueFeedController::class, 'front'])->name('front');
            Route::get('/rooms', [CatalogueFeedController::class, 'rooms'])->name('rooms');
            Route::get('/rooms/{room}', [CatalogueFeedController::class, 'room'])->name('room');
            Route::get('/subjects', [CatalogueFeedController::class, 'subjects'])->name('subjects');
            Route::get('/series', [CatalogueFeedController::class, 'series'])->name('series');
            Route::get('/titles', [CatalogueFeedController::class, 'titles'])
                ->name('titles')
                ->middleware(CountsUse::class . ':search');
            Route::get('/titles/{title}', [CatalogueFeedController::class, 'title'])
                ->name('title')
                ->middleware([LentHere::class, CountsUse::class . ':record']);
        });

        Route::middleware(SignInOfApp::class . ':needed')->group(function (): void {
            $one = HalfOfWorkers::class . ':title';
            $lent = LentHere::class;
            Route::get('/loans', [OwnFeedController::class, 'loans'])->name('loans');
            Route::get('/holds', [OwnFeedController::class, 'holds'])->name('holds');
            Route::match(['GET', 'POST', 'PUT'], '/titles/{title}/borrow', [OwnFeedController::class, 'borrow'])
                ->name('borrow')
                ->middleware([$lent, $one]);
            Route::match(['GET', 'POST', 'PUT'], '/titles/{title}/hold', [OwnFeedController::class, 'hold'])
                ->name('hold')
                ->middleware([$lent, 'throttle:holds', $one]);
            Route::match(['POST', 'PUT', 'DELETE'], '/loans/{loan}/return', [OwnFeedController::class, 'return'])
                ->name('return')
                ->can('own', 'loan')
                ->middleware($one);
            Route::match(['POST', 'PUT'], '/loans/{loan}/renew', [OwnFeedController::class, 'renew'])
                ->name('renew')
                ->can('own', 'loan')
                ->middleware([RequireOpenLoan::class, $one]);
            Route::match(['POST', 'PUT', 'DELETE'], '/holds/{hold}/cancel', [OwnFeedController::class, 'cancel'])
                ->name('cancel')
                ->can('own', 'hold')
                ->middleware($one);
            Route::get('/loans/{loan}/file/{kind}', [OwnFeedController::class, 'file'])
                ->whereIn('kind', Downloads::KINDS)
                ->name('file')
                ->can('own', 'loan')
                ->middleware([
                    RequireOpenLoan::class,
                    'throttle:exports',
                    HalfOfWorkers::class . ':packing',
                    CountsUse::class . ':file',
                ]);
        });
    });
