<?php

declare(strict_types=1);

namespace App\Http\Controllers\Catalogue;

use App\Http\Current;
use App\Http\Rooms;
use App\Queries\Catalogue\ListOnShow;
use App\Queries\Catalogue\RoomChoice;
use App\Queries\Catalogue\RoomSubjects;
use App\Queries\Catalogue\StaffLists;
use App\Queries\Lending\PayMonth;
use FigPorch\Core\Catalogue\Room;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** The rooms of a library, each with its staff lists. */
final class RoomController
{
    private const COVERS = 8;

    public function __construct(private readonly Current $current, private readonly StaffLists $lists, private readonly PayMonth $payMonth)
    {
    }

    /** The rooms, each with its lists by name. */
    public function index(): View
    {
        $byRoom = [];
        foreach ($this->showing(null, null, 0) as $of) {
            $byRoom[$of->list->room->value][] = $of;
        }

        return view('catalogue.rooms', ['byRoom' => $byRoom]);
    }

    public function show(Request $request, Room $room, Rooms $rooms, RoomSubjects $subjects): View
    {
        $choice = $rooms->choice($request, $room);

        return view('catalogue.room', [
            'room' => $room, 'choice' => $choice, 'lists' => $this->showing($room, $choice, self::COVERS), 'subjects' => $subjects->of($this->current->requiredLibrary()->id, $room),
        ]);
    }

    public function choose(Request $request, Room $room, Rooms $rooms): RedirectResponse
    {
        $choice = RoomChoice::read($room, $request->boolean('clear') ? [] : $request->only(['ages', 'kind', 'subjects']));
        $rooms->keep($request, $room, $choice);

        return redirect()->route('rooms.show', $room)->with('said', __($choice->isSet() ? 'rooms.kept' : 'rooms.cleared'));
    }

    /** @return list<ListOnShow> */
    private function showing(?Room $room, ?RoomChoice $choice, int $covers): array
    {
        $library = $this->current->requiredLibrary();
        $now = now()->toImmutable();

        return $this->lists->showing($library, $now, $this->payMonth->reach($this->current->card(), $library, $now), $room, $choice, $covers);
    }
}
