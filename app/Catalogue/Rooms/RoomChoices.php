<?php

declare(strict_types=1);

namespace App\Catalogue\Rooms;

use App\Shared\PreferenceStore;
use FigPorch\Core\Catalogue\Room;
use Illuminate\Http\Request;

/** How each room opens. */
final class RoomChoices
{
    public function __construct(private readonly PreferenceStore $kept) {}

    public function choice(Request $request, Room $room): RoomChoice
    {
        $kept = $this->kept->get($request, 'rooms')[$room->value] ?? null;

        return RoomChoice::read($room, is_array($kept) ? $kept : []);
    }

    public function keep(Request $request, Room $room, RoomChoice $choice): void
    {
        $this->kept->put('rooms', [
            ...array_intersect_key(
                $this->kept->get($request, 'rooms'),
                array_flip(array_column(Room::cases(), 'value')),
            ),
            $room->value => $choice->kept(),
        ]);
    }
}
