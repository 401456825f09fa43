<?php

declare(strict_types=1);

// Signing in, what people are told, and what they choose.

use App\Account\Almanac\AlmanacController;
use App\Account\Devices\DevicesController;
use App\Account\Help\HelpController;
use App\Account\Letters\LettersController;
use App\Account\Messages\MessagesController;
use App\Account\Notices\NoticeController;
use App\Account\Preferences\PreferenceController;
use App\Account\Preferences\SettingsController;
use App\Account\Privacy\OwnDataController;
use App\Account\SignIn\ChooseLibraryController;
use App\Account\SignIn\PinController;
use App\Account\SignIn\SignInController;
use App\Shared\Middleware\RequireLibrary;
use FigPorch\Core\Account\HelpSubject;
use Illuminate\Support\Facades\Route;

Route::get('/libraries', [ChooseLibraryController::class, 'index'])->name('libraries.index');
// A library's own address: straight to its door.
Route::get('/at/{library}', [ChooseLibraryController::class, 'at'])->name('libraries.at');
Route::post('/libraries/{library}', [ChooseLibraryController::class, 'choose'])->name('libraries.choose');
Route::post('/preferences', PreferenceController::class)->name('preferences');

Route::get('/help', [HelpController::class, 'index'])->name('help');
Route::get('/help/tour', [HelpController::class, 'tour'])->name('help.tour');
Route::get('/help/{subject}', [HelpController::class, 'show'])
    ->whereIn('subject', array_column(HelpSubject::cases(), 'value'))
    ->name('help.show');
Route::post('/still-here', [DevicesController::class, 'stay'])->name('still-here');

Route::middleware(RequireLibrary::class)->group(function (): void {
    Route::get('/letters/new', [LettersController::class, 'create'])->name('letters.create');
    Route::post('/letters', [LettersController::class, 'store'])
        ->name('letters.send')
        ->middleware('throttle:letters');
});
Route::get('/messages/{message}', [MessagesController::class, 'show'])
    ->name('messages.show')
    ->can('read', 'message');
Route::post('/messages/{message}/put-away', [MessagesController::class, 'putAway'])
    ->name('messages.put_away')
    ->can('read', 'message');

Route::middleware(['guest:web', RequireLibrary::class])->group(function (): void {
    Route::get('/sign-in', [SignInController::class, 'show'])->name('sign-in');
    Route::post('/sign-in', [SignInController::class, 'signIn'])->name('sign-in.store');
    Route::get('/sign-in/forgotten', [PinController::class, 'forgotten'])->name('pin.forgotten');
    Route::post('/sign-in/forgotten', [PinController::class, 'send'])->name('pin.send');
});

// Whoever has the link that came by mail.
Route::get('/sign-in/pin/{key}', [PinController::class, 'choose'])->name('pin.choose');
Route::post('/sign-in/pin/{key}', [PinController::class, 'store'])->name('pin.store');

Route::middleware('auth:web')->group(function (): void {
    Route::post('/sign-out', [SignInController::class, 'signOut'])->name('sign-out');
    Route::post('/settings/sessions/end-others', [DevicesController::class, 'endOthers'])->name('sessions.end_others');
    Route::post('/settings/sessions/{session}/end', [DevicesController::class, 'end'])->name('sessions.end');
    Route::get('/letters', [LettersController::class, 'index'])->name('letters.index');
    Route::get('/letters/{letter}', [LettersController::class, 'show'])
        ->name('letters.show')
        ->can('own', 'letter');
    Route::post('/letters/{letter}', [LettersController::class, 'goOn'])
        ->name('letters.go_on')
        ->can('own', 'letter')
        ->middleware('throttle:letters');
    Route::get('/settings/kept', [OwnDataController::class, 'show'])->name('kept');
    Route::post('/help/tour/done', [HelpController::class, 'tourDone'])->name('help.tour.done');
    Route::get('/almanac', [AlmanacController::class, 'show'])->name('almanac');
    Route::post('/almanac/goals', [AlmanacController::class, 'goals'])->name('almanac.goals');
    Route::post('/almanac/clear', [AlmanacController::class, 'clear'])->name('almanac.clear');
    Route::post('/almanac/{title}/judge', [AlmanacController::class, 'judge'])->name('almanac.judge');
    Route::post('/almanac/{title}/finish', [AlmanacController::class, 'finish'])->name('almanac.finish');
    Route::post('/almanac/{title}/leave-out', [AlmanacController::class, 'leaveOut'])->name('almanac.leave_out');
    Route::get('/notices', [NoticeController::class, 'index'])->name('notices');
    Route::get('/settings', [SettingsController::class, 'show'])->name('settings');
    Route::post('/settings/notices', [SettingsController::class, 'notices'])->name('settings.notices');
    Route::post('/settings/cards/{card}/pin', [PinController::class, 'change'])
        ->name('settings.pin')
        ->can('own', 'card');
    Route::post('/settings/history', [SettingsController::class, 'history'])->name('settings.history');
});
