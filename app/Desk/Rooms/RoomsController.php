<?php

declare(strict_types=1);

namespace App\Desk\Rooms;

use App\Catalogue\Rooms\LibraryRooms;
use App\Models\StaffList;
use App\Models\StaffMember;
use App\Shared\Input;
use Carbon\CarbonImmutable;
use FigPorch\Core\Catalogue\Room;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** The rooms of a library, as its staff arrange them. */
final class RoomsController
{
    public function __construct(private readonly ArrangeRooms $arrange, private readonly LibraryRooms $rooms) {}

    public function index(#[CurrentUser('staff')] StaffMember $staff): View
    {
        return view('desk.rooms.rooms', [
            'staff' => $staff,
            'rooms' => $this->rooms->of($staff->library),
            'lists' => StaffList::query()
                ->where('library_id', $staff->library_id)
                ->selectRaw('room, count(*)::int n')
                ->groupBy('room')
                ->pluck('n', 'room')
                ->all(),
        ]);
    }

    public function create(#[CurrentUser('staff')] StaffMember $staff): View
    {
        return view('desk.rooms.room', ['staff' => $staff, 'room' => null]);
    }

    public function add(RoomRequest $request, #[CurrentUser('staff')] StaffMember $staff): RedirectResponse
    {
        $room = $request->room($staff->library, null);

        return $this->arrange->add($staff, $room, CarbonImmutable::now()) === null
            ? back()->withInput()->with('refusal', __('arrange_rooms.many', ['most' => ArrangeRooms::MOST]))
            : redirect()->route('desk.rooms')->with('said', __('arrange_rooms.added'));
    }

    public function edit(string $room, #[CurrentUser('staff')] StaffMember $staff): View
    {
        return view('desk.rooms.room', ['staff' => $staff, 'room' => $this->room($staff, $room)]);
    }

    public function change(
        RoomRequest $request,
        string $room,
        #[CurrentUser('staff')] StaffMember $staff,
    ): RedirectResponse {
        $known = $this->room($staff, $room);
        $this->arrange->change($staff, $request->room($staff->library, $known->slug), CarbonImmutable::now());

        return redirect()->route('desk.rooms')->with('said', __('arrange_rooms.kept'));
    }

    public function shift(Request $request, string $room, #[CurrentUser('staff')] StaffMember $staff): RedirectResponse
    {
        $this->arrange->shift($staff, $this->room($staff, $room)->slug, Input::text($request, 'by') === 'up' ? -1 : 1);

        return redirect()->route('desk.rooms');
    }

    public function remove(string $room, #[CurrentUser('staff')] StaffMember $staff): RedirectResponse
    {
        $why = $this->arrange->remove($staff, $this->room($staff, $room), CarbonImmutable::now());
        $back = redirect()->route('desk.rooms');

        return $why === null
            ? $back->with('said', __('arrange_rooms.removed'))
            : $back->with('refusal', __("arrange_rooms.{$why}"));
    }

    private function room(StaffMember $staff, string $slug): Room
    {
        return $this->rooms->find($staff->library, $slug) ?? abort(404);
    }
}
