<?php

declare(strict_types=1);

namespace App\Shared\Middleware;

use Illuminate\Http\Request;
use Illuminate\Session\Middleware\StartSession as LaravelsStartSession;

/** Where a visitor comes from is told by the browser, to this site alone; so no page looked at changes the session. */
final class StartSession extends LaravelsStartSession
{
    /**
     * What is said once is for a page: a place or a mark that is sent meanwhile, by the page before or by another
     * window, leaves it there.
     */
    protected function startSession(Request $request, $session)
    {
        $started = parent::startSession($request, $session);
        $request->expectsJson() && $started->reflash();

        return $started;
    }

    protected function storeCurrentUrl(Request $request, $session): void {}
}
