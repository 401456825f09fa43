<?php

declare(strict_types=1);

namespace App\Catalogue\Rooms;

use App\Catalogue\StaffLists\ListOnShow;
use App\Catalogue\StaffLists\StaffLists;
use App\Lending\LoanRules\PayMonth;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use FigPorch\Core\Catalogue\Room;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** The rooms of a library, each with its staff lists. */
final class RoomController
{
    private const COVERS = 8;

    public function __construct(
        private readonly RequestContext $current,
        private readonly StaffLists $lists,
        private readonly PayMonth $payMonth,
        private readonly LibraryRooms $rooms,
    ) {}

    /** The rooms, each with its lists by name. */
    public function index(): View
    {
        $byRoom = [];
        foreach ($this->showing(null, null, 0) as $of) {
            $byRoom[$of->list->room][] = $of;
        }

        return view('catalogue.rooms.rooms', [
            'rooms' => $this->rooms->of($this->current->requiredLibrary()),
            'byRoom' => $byRoom,
        ]);
    }

    public function show(Request $request, string $room, RoomChoices $choices, RoomSubjects $subjects): View
    {
        $room = $this->room($room);
        $choice = $choices->choice($request, $room);

        return view('catalogue.rooms.room', [
            'room' => $room,
            'rooms' => $this->rooms->of($this->current->requiredLibrary()),
            'choice' => $choice,
            'lists' => $this->showing($room, $choice, self::COVERS),
            'subjects' => $subjects->of($this->current->requiredLibrary()->id, $room, CarbonImmutable::now()),
        ]);
    }

    public function choose(Request $request, string $room, RoomChoices $choices): RedirectResponse
    {
        $room = $this->room($room);
        $choice = RoomChoice::read(
            $room,
            $request->boolean('clear') ? [] : $request->only(['ages', 'kind', 'subjects']),
        );
        $choices->keep($request, $room, $choice);

        return redirect()
            ->route('rooms.show', $room->slug)
            ->with('said', __($choice->isSet() ? 'rooms.kept' : 'rooms.cleared'));
    }

    private function room(string $slug): Room
    {
        return $this->rooms->find($this->current->requiredLibrary(), $slug) ?? abort(404);
    }

    /** @return list<ListOnShow> */
    private function showing(?Room $room, ?RoomChoice $choice, int $covers): array
    {
        $library = $this->current->requiredLibrary();
        $now = CarbonImmutable::now();

        return $this->lists->showing(
            library: $library,
            now: $now,
            eligibility: $this->payMonth->eligibility($this->current->card(), $library, $now),
            room: $room?->slug,
            choice: $choice,
            covers: $covers,
        );
    }
}
