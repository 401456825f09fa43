<?php

declare(strict_types=1);

namespace App\Desk\Library;

use App\Exchange\Opds\Addresses;
use App\Exchange\Opds\Edition;
use App\Models\ClosedDays;
use App\Models\StaffMember;
use App\Shared\Input;
use App\Shared\Middleware\VisitorsLanguage;
use App\Shared\View\Numbers;
use Carbon\CarbonImmutable;
use DateTimeZone;
use FigPorch\Core\Look\Colour;
use FigPorch\Core\Look\LibraryLook;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\View\View;

/** What a library is, how it speaks and pays, how it looks, and when nobody is at its desk. */
final class LibraryController
{
    public function __construct(private readonly ChangeLibrary $change) {}

    public function edit(#[CurrentUser('staff')] StaffMember $staff, SharedLicences $shared): View
    {
        $now = CarbonImmutable::now();

        return view('desk.library.library', [
            'staff' => $staff,
            'library' => $staff->library,
            'languages' => VisitorsLanguage::known(),
            'timezones' => DateTimeZone::listIdentifiers(),
            'closed' => ClosedDays::query()
                ->where('library_id', $staff->library_id)
                ->where('last_day', '>=', $now->setTimezone($staff->library->zone())->format('Y-m-d'))
                ->orderBy('first_day')
                ->get(),
            'shared' => $shared->byLibrary($staff->library, $now),
            'catalogue' => (new Addresses(Edition::Two, $staff->library))->of(),
        ]);
    }

    public function save(LibraryRequest $request, #[CurrentUser('staff')] StaffMember $staff): RedirectResponse
    {
        $this->change->settings($staff, $request->settings(), CarbonImmutable::now());

        return redirect()->route('desk.library')->with('said', __('library.kept'));
    }

    public function look(Request $request, #[CurrentUser('staff')] StaffMember $staff, KeepLogo $keep): RedirectResponse
    {
        $now = CarbonImmutable::now();
        $file = $request->file('logo');
        if ($file instanceof UploadedFile) {
            $logo = $file->isValid() && $file->getSize() <= 1024 * KeepLogo::MOST_KILOBYTES ? $keep($file) : null;
            if ($logo === null) {
                return back()->withErrors(['logo' => __('library.needs.logo', ['most' => KeepLogo::MOST_KILOBYTES])]);
            }
            $this->change->logo($staff, $logo, $now);
        } elseif (Input::text($request, 'no_logo') === '1') {
            $this->change->logo($staff, null, $now);
        }
        if (Input::text($request, 'own_colours') !== '1') {
            $this->change->colours($staff, null, $now);

            return redirect()->route('desk.library')->with('said', __('library.kept'));
        }
        $roof = Colour::parse(Input::text($request, 'roof'));
        $door = Colour::parse(Input::text($request, 'door'));
        if ($roof === null || $door === null) {
            return back()
                ->withInput()
                ->withErrors(['colours' => __('library.needs.colours')]);
        }
        $unreadable = LibraryLook::unreadable($roof, $door);
        if ($unreadable !== []) {
            return back()
                ->withInput()
                ->withErrors([
                    'colours' => implode(
                        ' ',
                        array_map(
                            fn(array $of): string => __("library.unreadable.{$of[0]}", [
                                'contrast' => Numbers::of($of[1], 1),
                            ]),
                            $unreadable,
                        ),
                    ),
                ]);
        }
        $this->change->colours($staff, new LibraryLook($roof, $door), $now);

        return redirect()->route('desk.library')->with('said', __('library.kept'));
    }

    public function close(Request $request, #[CurrentUser('staff')] StaffMember $staff): RedirectResponse
    {
        $first = Input::day($request, 'first_day');
        $last = Input::text($request, 'last_day') === '' ? $first : Input::day($request, 'last_day');
        $name = mb_substr(Input::text($request, 'closed_name'), 0, 60);
        if ($first === null || $last === null || $last < $first) {
            return back()
                ->withInput()
                ->withErrors(['first_day' => __('library.needs.days')]);
        }
        $this->change->close($staff, $first, $last, $name, CarbonImmutable::now());

        return redirect()->route('desk.library')->with('said', __('library.kept'));
    }

    public function open(ClosedDays $closedDays, #[CurrentUser('staff')] StaffMember $staff): RedirectResponse
    {
        $this->change->open($staff, $closedDays, CarbonImmutable::now());

        return redirect()->route('desk.library')->with('said', __('library.kept'));
    }
}
