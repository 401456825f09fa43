<?php

declare(strict_types=1);

namespace App\Catalogue\Rooms;

use App\Models\Library;
use App\Models\LibraryRoom;
use FigPorch\Core\Catalogue\Room;

/** The rooms of a library: its own, else the usual four. */
final class LibraryRooms
{
    /** @return list<Room> in their order */
    public function of(Library $library): array
    {
        $own = LibraryRoom::query()
            ->where('library_id', $library->id)
            ->orderBy('position')
            ->orderBy('id')
            ->get()
            ->map(fn(LibraryRoom $of): Room => $of->room());

        return $own->isEmpty() ? Room::usual() : array_values($own->all());
    }

    public function find(Library $library, string $slug): ?Room
    {
        foreach ($this->of($library) as $room) {
            if ($room->slug === $slug) {
                return $room;
            }
        }

        return null;
    }

    /** @return array<string, string> names by slug */
    public function names(Library $library): array
    {
        $names = [];
        foreach ($this->of($library) as $room) {
            $names[$room->slug] = RoomText::name($room);
        }

        return $names;
    }
}
