<?php

declare(strict_types=1);

namespace App\Shared\Middleware;

use Illuminate\Http\Request;
use Illuminate\Session\Middleware\StartSession as LaravelsStartSession;

/** Where a visitor comes from is told by the browser, to this site alone; so no page looked at changes the session. */
final class StartSession extends LaravelsStartSession
{
    protected function storeCurrentUrl(Request $request, $session): void {}
}
