<?php

declare(strict_types=1);

namespace App\Account\SignIn;

use App\Shared\DatabaseSessions;
use Closure;
use DateTimeImmutable;
use FigPorch\Core\Account\Stay;
use Illuminate\Contracts\Session\Session;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/**
 * How long one stays signed in (Stay): 12 hours without use, or as long as one can; on a computer that others use too,
 * 15 minutes without use and no longer than the browser is open. What is shown meanwhile is kept nowhere.
 */
final class SessionLimit
{
    /** When use is noted anew: a page that is only looked at should write nothing. */
    private const NOTED_SECONDS = 60;

    private const BEGUN = 'signed_in_at';

    private const USED = 'used_at';

    /** Somebody has signed in. What was said to be shared stays so for whoever else is signed in here. */
    public static function begin(Session $session, Stay $stay, DateTimeImmutable $now): void
    {
        $session->put([self::BEGUN => $now->getTimestamp(), self::USED => $now->getTimestamp()]);
        self::of($session) === Stay::Shared || $session->put(DatabaseSessions::STAY, $stay->value);
    }

    public static function of(Session $session): Stay
    {
        return Stay::tryFrom((string) $session->get(DatabaseSessions::STAY)) ?? Stay::Usual;
    }

    public function handle(Request $request, Closure $next): Response
    {
        $session = $request->session();
        $now = now()->getTimestamp();
        if ($this->isSignedIn() && $this->isOver($session, $now)) {
            $route = Auth::guard('web')->guest() ? 'desk.sign-in' : 'sign-in';
            $isShared = self::of($session) === Stay::Shared;
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
        $isShared = self::of($session) === Stay::Shared;
        config([
            'session.expire_on_close' => $isShared,
            'session.lifetime' => intdiv(self::of($session)->idleSeconds(), 60),
        ]);
        if ($isShared) {
            $now - $session->get(self::USED, 0) >= self::NOTED_SECONDS && $session->put(self::USED, $now);
        }
        $response = $next($request);
        if ($this->isSignedIn()) {
            $this->keepNowhere($response);
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

        return $now - $session->get(self::BEGUN) > Stay::DAYS_IN_ALL * 86400 ||
            (self::of($session) === Stay::Shared && $now - $session->get(self::USED, 0) > Stay::Shared->idleSeconds());
    }

    /** Where a controller says nothing else: neither Back nor whoever comes next sees a page of somebody. */
    private function keepNowhere(Response $response): void
    {
        if ($response->headers->get('Cache-Control') === 'no-cache, private') {
            $response->headers->set('Cache-Control', 'no-store, private');
        }
    }
}
