<?php

declare(strict_types=1);

namespace App\Desk\SignIn;

use App\Account\SignIn\SessionLimit;
use App\Models\StaffMember;
use Carbon\CarbonImmutable;
use FigPorch\Core\Account\Stay;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;

/** From a right password to the Desk: at once, or by way of the one-time code. */
final class StaffSession
{
    private const HALF = 'desk_half_signed_in';

    private const MINUTES = 5;

    /** @param  int|null  $libraryId  where to begin, if not where they were */
    public static function enter(
        Request $request,
        StaffMember $member,
        bool $shared,
        ?int $libraryId = null,
    ): RedirectResponse {
        $now = CarbonImmutable::now();
        if (!SecondFactor::isOn($member)) {
            return self::begin($request, $member, $shared, $libraryId, $now);
        }
        $request->session()->regenerate();
        $request->session()->put(self::HALF, [
            'member' => $member->id,
            'shared' => $shared,
            'library' => $libraryId,
            'until' => $now->addMinutes(self::MINUTES)->getTimestamp(),
        ]);

        return redirect()->route('desk.sign-in.code');
    }

    /** Who has said the password and not the code; nobody after some minutes. */
    public static function half(Request $request): ?StaffMember
    {
        $half = $request->session()->get(self::HALF);

        return is_array($half) && $half['until'] > now()->getTimestamp()
            ? StaffMember::query()->whereKey($half['member'])->first()
            : null;
    }

    /** The code was right. */
    public static function complete(Request $request, StaffMember $member): RedirectResponse
    {
        $half = (array) $request->session()->pull(self::HALF);

        return self::begin(
            $request,
            $member,
            (bool) ($half['shared'] ?? false),
            isset($half['library']) ? (int) $half['library'] : null,
            CarbonImmutable::now(),
        );
    }

    private static function begin(
        Request $request,
        StaffMember $member,
        bool $shared,
        ?int $libraryId,
        CarbonImmutable $now,
    ): RedirectResponse {
        Auth::guard('staff')->login($member);
        $request->session()->regenerate();
        SessionLimit::begin($request->session(), Stay::chosen($shared, false), $now);
        $libraryId === null || AtTheDesk::choose($request, $libraryId);
        $intended = (string) $request->session()->pull('url.intended');

        return redirect(
            str_starts_with((string) parse_url($intended, PHP_URL_PATH), '/desk/') ? $intended : route('desk.today'),
        );
    }
}
