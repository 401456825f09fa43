<?php

declare(strict_types=1);

namespace App\Catalogue\Rooms;

use App\Shared\PreferenceStore;
use FigPorch\Core\Catalogue\Room;
use Illuminate\Http\Request;

/** How each room opens. */
final class RoomChoices
{
    /** Of so many rooms it is known; a browser has no room for more. */
    private const MOST = 20;

    public function __construct(private readonly PreferenceStore $kept) {}

    public function choice(Request $request, Room $room): RoomChoice
    {
        $kept = $this->kept->get($request, 'rooms')[$room->slug] ?? null;

        return RoomChoice::read($room, is_array($kept) ? $kept : []);
    }

    public function keep(Request $request, Room $room, RoomChoice $choice): void
    {
        $this->kept->put('rooms', [
            ...array_slice($this->kept->get($request, 'rooms'), -self::MOST, preserve_keys: true),
            $room->slug => $choice->kept(),
        ]);
    }
}
