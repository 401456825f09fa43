<?php

declare(strict_types=1);

// Reports of use, for programs: without cookies and sessions.

use App\Exchange\Counter\AnswerReports;
use App\Exchange\Counter\CounterController;
use Illuminate\Support\Facades\Route;

Route::prefix('/counter')
    ->middleware([AnswerReports::class, 'throttle:reports'])
    ->name('counter.')
    ->group(function (): void {
        Route::get('/r51/status', [CounterController::class, 'status'])->name('status');
        Route::get('/r51/members', [CounterController::class, 'members'])->name('members');
        Route::get('/r51/reports', [CounterController::class, 'reports'])->name('reports');
        Route::get('/r51/reports/{report}', [CounterController::class, 'report'])
            ->where('report', '[A-Za-z0-9_]{1,20}')
            ->name('report');
        Route::any('/{what}', [CounterController::class, 'unknown'])
            ->where('what', '.*')
            ->name('unknown');
    });
