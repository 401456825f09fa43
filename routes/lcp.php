<?php

declare(strict_types=1);

// What applications ask of the licence of a protected file: without cookies and sessions, by an address that only those
// know who have the licence.

use App\Exchange\Lcp\LicenceController;
use App\Exchange\Opds\AnswerApps;
use App\Shared\Middleware\HalfOfWorkers;
use Illuminate\Routing\Middleware\SubstituteBindings;
use Illuminate\Support\Facades\Route;

Route::prefix('/lcp/{library}/licences/{protectedLoan}')
    ->where(['library' => '[a-z0-9-]{1,80}'])
    ->whereUuid('protectedLoan')
    ->middleware([AnswerApps::class, SubstituteBindings::class])
    ->name('lcp.')
    ->group(function (): void {
        $one = HalfOfWorkers::class . ':title';
        Route::get('/', [LicenceController::class, 'licence'])->name('licence');
        Route::get('/publication', [LicenceController::class, 'publication'])->name('publication');
        Route::get('/status', [LicenceController::class, 'status'])->name('status');
        Route::post('/register', [LicenceController::class, 'register'])->name('register');
        Route::put('/renew', [LicenceController::class, 'renew'])
            ->name('renew')
            ->middleware($one);
        Route::put('/return', [LicenceController::class, 'return'])
            ->name('return')
            ->middleware($one);
    });
