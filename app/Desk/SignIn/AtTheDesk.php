<?php

declare(strict_types=1);

namespace App\Desk\SignIn;

use App\Models\StaffMember;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/** At which library somebody works in this session, and that they still do: who has left is signed out. */
final class AtTheDesk
{
    private const LIBRARY = 'desk_library';

    public function handle(Request $request, Closure $next): Response
    {
        $staff = $request->user('staff');
        $staff instanceof StaffMember || abort(404);
        $staff->load('posts');
        $chosen = (int) $request->session()->get(self::LIBRARY, $staff->library_id);
        $first = $staff->posts->first();
        if ($staff->goTo($chosen) === null && ($first === null || $staff->goTo($first->library_id) === null)) {
            Auth::guard('staff')->logout();
            $request->session()->regenerate(destroy: true);

            return redirect()->route('desk.sign-in')->with('said', __('staff.you_have_left'));
        }

        return $next($request);
    }

    /** What other windows were about to send was meant for the library where they are: it is not taken any more. */
    public static function choose(Request $request, int $libraryId): void
    {
        $request->session()->put(self::LIBRARY, $libraryId);
        $request->session()->regenerateToken();
    }
}
