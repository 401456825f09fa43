<?php

declare(strict_types=1);

namespace App\Account\SignIn;

use Closure;
use DateTimeImmutable;
use Illuminate\Contracts\Session\Session;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/**
 * How long one stays signed in: 12 hours without use (config/session.php) and 30 days in all; on a computer that others
 * use too, 15 minutes without use and no longer than the browser is open. What is shown meanwhile is kept nowhere.
 */
final class SessionLimit
{
    private const DAYS_IN_ALL = 30;

    private const SHARED_SECONDS = 15 * 60;

    /** When use is noted anew: a page that is only looked at should write nothing. */
    private const NOTED_SECONDS = 60;

    private const BEGUN = 'signed_in_at';

    private const SHARED = 'shared_computer';

    private const USED = 'used_at';

    /** Somebody has signed in. What was said to be shared stays so for whoever else is signed in here. */
    public static function begin(Session $session, bool $shared, DateTimeImmutable $now): void
    {
        $session->put([self::BEGUN => $now->getTimestamp(), self::USED => $now->getTimestamp()]);
        $shared && $session->put(self::SHARED, true);
    }

    public function handle(Request $request, Closure $next): Response
    {
        $session = $request->session();
        $now = now()->getTimestamp();
        if ($this->isSignedIn() && $this->isOver($session, $now)) {
            $route = Auth::guard('web')->guest() ? 'desk.sign-in' : 'sign-in';
            $isShared = (bool) $session->get(self::SHARED);
            Auth::guard('web')->logout();
            Auth::guard('staff')->logout();
            $session->invalidate();
            $session->regenerateToken();
            if ($request->expectsJson()) {
                abort(401, __('sign_in.session_over'));
            }

            $answer = $isShared ? SignedOut::to($route) : redirect()->route($route);

            return $answer->with('said', __('sign_in.session_over'));
        }
        $isShared = (bool) $session->get(self::SHARED);
        config(['session.expire_on_close' => $isShared]);
        if ($isShared) {
            $now - $session->get(self::USED, 0) >= self::NOTED_SECONDS && $session->put(self::USED, $now);
        }
        $response = $next($request);
        if ($this->isSignedIn()) {
            $this->keepNowhere($response);
            $this->leaveWhenUnused($request, $response, $isShared);
        }

        return $response;
    }

    private function isSignedIn(): bool
    {
        return Auth::guard('web')->check() || Auth::guard('staff')->check();
    }

    private function isOver(Session $session, int $now): bool
    {
        // A session from before there were limits begins now.
        $session->has(self::BEGUN) || $session->put(self::BEGUN, $now);

        return $now - $session->get(self::BEGUN) > self::DAYS_IN_ALL * 86400 ||
            ($session->get(self::SHARED) && $now - $session->get(self::USED, 0) > self::SHARED_SECONDS);
    }

    /** Where a controller says nothing else: neither Back nor whoever comes next sees a page of somebody. */
    private function keepNowhere(Response $response): void
    {
        if ($response->headers->get('Cache-Control') === 'no-cache, private') {
            $response->headers->set('Cache-Control', 'no-store, private');
        }
    }

    /** A page that is left open on a shared computer goes away by itself; but not from under who reads or listens. */
    private function leaveWhenUnused(Request $request, Response $response, bool $isShared): void
    {
        $isPage = str_starts_with((string) $response->headers->get('Content-Type'), 'text/html');
        if ($isShared && $isPage && !$request->is('loans/*/read', 'loans/*/listen', 'loans/*/watch')) {
            $response->headers->set('Refresh', self::SHARED_SECONDS + 5 . '; url=' . route('sign-in', [], false));
        }
    }
}
