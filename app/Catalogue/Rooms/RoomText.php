<?php

declare(strict_types=1);

namespace App\Catalogue\Rooms;

use FigPorch\Core\Catalogue\Room;
use FigPorch\Core\Catalogue\UsualRoom;

/** What a room is called, and whom it is for: in the library's words, else in the usual ones. */
final class RoomText
{
    public static function name(Room $room): string
    {
        return self::own($room->names) ?? __("rooms.names.{$room->slug}");
    }

    public static function about(Room $room): string
    {
        return self::own($room->about) ??
            ($room->names === [] && UsualRoom::tryFrom($room->slug) !== null ? __("rooms.for.{$room->slug}") : '');
    }

    /** @param  array<string, string>  $texts  by language; in another, the first that there is */
    private static function own(array $texts): ?string
    {
        return $texts[app()->getLocale()] ?? (array_values($texts)[0] ?? null);
    }
}
