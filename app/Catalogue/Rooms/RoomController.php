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
    ) {}

    /** The rooms, each with its lists by name. */
    public function index(): View
    {
        $byRoom = [];
        foreach ($this->showing(null, null, 0) as $of) {
            $byRoom[$of->list->room->value][] = $of;
        }

        return view('catalogue.rooms.rooms', ['byRoom' => $byRoom]);
    }

    public function show(Request $request, Room $room, RoomChoices $rooms, RoomSubjects $subjects): View
    {
        $choice = $rooms->choice($request, $room);

        return view('catalogue.rooms.room', [
            'room' => $room,
            'choice' => $choice,
            'lists' => $this->showing($room, $choice, self::COVERS),
            'subjects' => $subjects->of($this->current->requiredLibrary()->id, $room),
        ]);
    }

    public function choose(Request $request, Room $room, RoomChoices $rooms): RedirectResponse
    {
        $choice = RoomChoice::read(
            $room,
            $request->boolean('clear') ? [] : $request->only(['ages', 'kind', 'subjects']),
        );
        $rooms->keep($request, $room, $choice);

        return redirect()
            ->route('rooms.show', $room)
            ->with('said', __($choice->isSet() ? 'rooms.kept' : 'rooms.cleared'));
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
            room: $room,
            choice: $choice,
            covers: $covers,
        );
    }
}
