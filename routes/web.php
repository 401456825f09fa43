<?php

declare(strict_types=1);

use App\Shared\View\NoSuchPage;
use Illuminate\Support\Facades\Route;

/*
 * The routes of each area. Whatever a route names in its address is found before the controller is called, and "can"
 * asks its policy; to whoever may not, it does not exist. tests/App/RouteAccessTest.php asks every route with every
 * role.
 */
$numbers = [
    ...['title', 'loan', 'hold', 'asked', 'device', 'basket', 'saved', 'list'],
    ...[
        'card',
        'member',
        'invitation',
        'import',
        'file',
        'change',
        'reading',
        'preparedFile',
        'fund',
        'closedDays',
        'counterKey',
        'class',
        'batch',
        'entry',
        'set',
        'message',
        'letter',
        'records',
        'holding',
        'link',
    ],
];
foreach ($numbers as $number) {
    Route::pattern($number, '[0-9]{1,18}');
}
Route::pattern('mark', '[0-9a-fA-F]{8}(-[0-9a-fA-F]{4}){3}-[0-9a-fA-F]{12}');
Route::pattern('upload', '[0-9a-fA-F]{8}(-[0-9a-fA-F]{4}){3}-[0-9a-fA-F]{12}');
Route::pattern('session', '[0-9a-f]{40}');
Route::pattern('path', '.+');
Route::pattern('room', '[a-z0-9-]{1,40}');

foreach (['account', 'lending', 'catalogue', 'reading', 'exchange', 'desk'] as $area) {
    require __DIR__ . "/{$area}.php";
}

// To what may be asked of an address, too: it would be answered as if there were one.
Route::match(['GET', 'OPTIONS'], '{nothing}', NoSuchPage::class)
    ->where('nothing', '.*')
    ->fallback()
    ->name('no-such-page');
