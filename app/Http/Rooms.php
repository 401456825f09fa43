<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\Person;
use App\Queries\Catalogue\RoomChoice;
use FigPorch\Core\Catalogue\Room;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Cookie;

/** How each room opens: as a person has set it, or before anyone has signed in as set in this browser. */
final class Rooms
{
    private const COOKIE = 'rooms';

    private const MINUTES = 400 * 24 * 60;

    public function __construct(private readonly Current $current)
    {
    }

    public function choice(Request $request, Room $room): RoomChoice
    {
        $kept = $this->all($request)[$room->value] ?? null;

        return RoomChoice::read($room, is_array($kept) ? $kept : []);
    }

    public function keep(Request $request, Room $room, RoomChoice $choice): void
    {
        $all = [...$this->all($request), $room->value => $choice->kept()];
        if ($this->current->person instanceof Person) {
            $this->current->person->update(['rooms' => $all]);
        } else {
            Cookie::queue(Cookie::make(self::COOKIE, (string) json_encode($all), self::MINUTES));
        }
    }

    /** @return array<mixed> */
    private function all(Request $request): array
    {
        $kept = $this->current->person->rooms ?? json_decode(is_string($cookie = $request->cookie(self::COOKIE)) ? $cookie : '', true);

        return is_array($kept) ? array_intersect_key($kept, array_flip(array_column(Room::cases(), 'value'))) : [];
    }
}
