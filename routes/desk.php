<?php

declare(strict_types=1);

// For staff.

use App\Desk\Figures\TurnawaysController;
use App\Desk\Licences\LicencesController;
use App\Desk\Lists\ListsController;
use App\Desk\Requests\RequestsController;
use App\Desk\Setup\SetupController;
use App\Desk\SignIn\StaffSignInController;
use App\Desk\Titles\DeskTitleController;
use App\Desk\Titles\TitleRowsController;
use App\Shared\Middleware\HalfOfWorkers;
use Illuminate\Support\Facades\Route;

// Whoever has the link, which is good until it is used.
Route::get('/desk/begin/{key}', [SetupController::class, 'show'])->name('setup');
Route::post('/desk/begin/{key}', [SetupController::class, 'store'])->name('setup.store');

Route::middleware('guest:staff')
    ->prefix('desk')
    ->name('desk.')
    ->group(function (): void {
        Route::get('/sign-in', [StaffSignInController::class, 'show'])->name('sign-in');
        Route::post('/sign-in', [StaffSignInController::class, 'signIn'])->name('sign-in.store');
    });

Route::middleware('auth:staff')
    ->prefix('desk')
    ->name('desk.')
    ->group(function (): void {
        Route::redirect('/', '/desk/licences');
        Route::post('/sign-out', [StaffSignInController::class, 'signOut'])->name('sign-out');
        Route::get('/licences', [LicencesController::class, 'index'])->name('licences');
        Route::get('/licences.csv', [LicencesController::class, 'csv'])
            ->name('licences.csv')
            ->middleware('throttle:exports');
        Route::get('/turnaways', [TurnawaysController::class, 'index'])->name('turnaways');
        Route::get('/turnaways.csv', [TurnawaysController::class, 'csv'])
            ->name('turnaways.csv')
            ->middleware('throttle:exports');
        Route::get('/turnaways/{title}', [TurnawaysController::class, 'title'])->name('turnaways.title');
        Route::get('/turnaways/{title}.csv', [TurnawaysController::class, 'titleCsv'])
            ->name('turnaways.title.csv')
            ->middleware('throttle:exports');
        Route::get('/lists', [ListsController::class, 'index'])->name('lists');
        Route::get('/lists/new', [ListsController::class, 'create'])->name('lists.create');
        Route::post('/lists', [ListsController::class, 'make'])->name('lists.make');
        Route::get('/lists/{list}', [ListsController::class, 'show'])
            ->name('list')
            ->can('edit', 'list');
        Route::post('/lists/{list}', [ListsController::class, 'change'])
            ->name('list.change')
            ->can('edit', 'list');
        Route::post('/lists/{list}/titles', [ListsController::class, 'titles'])
            ->name('list.titles')
            ->can('edit', 'list');
        Route::post('/lists/{list}/shift', [ListsController::class, 'shift'])
            ->name('list.shift')
            ->can('edit', 'list');
        Route::post('/lists/{list}/remove', [ListsController::class, 'remove'])
            ->name('list.remove')
            ->can('edit', 'list');
        Route::get('/requests', [RequestsController::class, 'index'])->name('requests');
        Route::get('/requests.csv', [RequestsController::class, 'csv'])
            ->name('requests.csv')
            ->middleware('throttle:exports');
        Route::get('/requests/words/{asked}', [RequestsController::class, 'words'])
            ->name('requests.words')
            ->can('answer', 'asked');
        Route::post('/requests/words/{asked}/name', [RequestsController::class, 'name'])
            ->name('requests.name')
            ->can('answer', 'asked');
        Route::post('/requests/words/{asked}/decline', [RequestsController::class, 'declineInWords'])
            ->name('requests.decline_words')
            ->can('answer', 'asked');
        Route::get('/requests/{title}', [RequestsController::class, 'show'])->name('request');
        Route::get('/requests/{title}.csv', [RequestsController::class, 'titleCsv'])
            ->name('request.csv')
            ->middleware('throttle:exports');
        Route::post('/requests/{title}/decline', [RequestsController::class, 'decline'])->name('request.decline');
        Route::post('/supplier/{reading}/take', [RequestsController::class, 'takeReading'])
            ->whereNumber('reading')
            ->name('supplier.take');
        Route::get('/titles/{title}', [DeskTitleController::class, 'show'])->name('title');
        Route::get('/titles/{title}/{rows}.csv', TitleRowsController::class)
            ->whereIn('rows', ['licences', 'line', 'loans', 'months'])
            ->name('title.csv')
            ->middleware('throttle:exports');
        Route::get('/titles/{title}/change', [DeskTitleController::class, 'preview'])->name('preview');
        Route::post('/titles/{title}/change', [DeskTitleController::class, 'change'])
            ->name('change')
            ->middleware(HalfOfWorkers::class . ':title');
    });
