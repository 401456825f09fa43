<?php

declare(strict_types=1);

namespace App\Desk\Rooms;

use App\Catalogue\Baskets\ArrangeBaskets;
use App\Desk\Trail\ChangeKind;
use App\Desk\Trail\RecordChange;
use App\Models\LibraryRoom;
use App\Models\StaffList;
use App\Models\StaffMember;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Room;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** A library makes rooms of its own, names them, puts them in order. The usual four become its own with the first. */
final class ArrangeRooms
{
    public const MOST = 12;

    public function __construct(private readonly RecordChange $recordChange) {}

    /** @return Room|null null where there are as many as there may be */
    public function add(StaffMember $by, Room $room, DateTimeImmutable $now): ?Room
    {
        return DB::transaction(function () use ($by, $room, $now): ?Room {
            $this->own($by->library_id);
            $slugs = $this->slugs($by->library_id);
            if (count($slugs) >= self::MOST) {
                return null;
            }
            $slug = $room->slug;
            for ($n = 2; in_array($slug, $slugs, true); $n++) {
                $slug = substr($room->slug, 0, Room::LONGEST_SLUG - 3) . "-{$n}";
            }
            $room = new Room($slug, $room->names, $room->about, $room->audience, $room->ages);
            $this->write($by->library_id, $room, count($slugs));
            ($this->recordChange)($by, ChangeKind::RoomAdded, self::named($room), [], $now);

            return $room;
        });
    }

    /** @return bool false where it is gone */
    public function change(StaffMember $by, Room $room, DateTimeImmutable $now): bool
    {
        return DB::transaction(function () use ($by, $room, $now): bool {
            $this->own($by->library_id);
            $changed = LibraryRoom::query()
                ->where(['library_id' => $by->library_id, 'slug' => $room->slug])
                ->first();
            $changed?->update(self::columns($room));
            if ($changed?->wasChanged() === true) {
                ($this->recordChange)($by, ChangeKind::RoomChanged, self::named($room), [], $now);
            }

            return $changed !== null;
        });
    }

    public function shift(StaffMember $by, string $slug, int $steps): void
    {
        DB::transaction(function () use ($by, $slug, $steps): void {
            $this->own($by->library_id);
            $ids = LibraryRoom::query()
                ->where('library_id', $by->library_id)
                ->orderBy('position')
                ->orderBy('id')
                ->pluck('id', 'slug')
                ->all();
            if (!isset($ids[$slug])) {
                return;
            }
            foreach (ArrangeBaskets::shifted(array_values($ids), $ids[$slug], $steps) as $position => $id) {
                LibraryRoom::query()
                    ->whereKey($id)
                    ->update(['position' => $position]);
            }
        });
    }

    /** @return string|null why not, by the key of its words in arrange_rooms */
    public function remove(StaffMember $by, Room $room, DateTimeImmutable $now): ?string
    {
        return DB::transaction(function () use ($by, $room, $now): ?string {
            $this->own($by->library_id);
            $lists = StaffList::query()->where(['library_id' => $by->library_id, 'room' => $room->slug]);
            if ($lists->exists()) {
                return 'has_lists';
            }
            if (count($this->slugs($by->library_id)) === 1) {
                return 'last';
            }
            LibraryRoom::query()
                ->where(['library_id' => $by->library_id, 'slug' => $room->slug])
                ->delete();
            ($this->recordChange)($by, ChangeKind::RoomRemoved, self::named($room), [], $now);

            return null;
        });
    }

    /** A name in addresses, from the first of a room's names. */
    public static function slug(string $name): string
    {
        return trim(substr(Str::slug($name), 0, Room::LONGEST_SLUG), '-') ?: 'room';
    }

    /** From now on the library has rows of its own; whoever else arranges them waits. */
    private function own(int $libraryId): void
    {
        DB::select('select from libraries where id = ? for no key update', [$libraryId]);
        if ($this->slugs($libraryId) === []) {
            foreach (Room::usual() as $position => $room) {
                $this->write($libraryId, $room, $position);
            }
        }
    }

    private function write(int $libraryId, Room $room, int $position): void
    {
        LibraryRoom::query()->create([
            'library_id' => $libraryId,
            'slug' => $room->slug,
            'position' => $position,
            ...self::columns($room),
        ]);
    }

    /** @return list<string> */
    private function slugs(int $libraryId): array
    {
        return array_values(LibraryRoom::query()->where('library_id', $libraryId)->pluck('slug')->all());
    }

    /** @return array<string, mixed> */
    private static function columns(Room $room): array
    {
        return [
            'names' => $room->names,
            'about' => $room->about,
            'audience' => $room->audience,
            'ages' => $room->ages,
        ];
    }

    private static function named(Room $room): string
    {
        return '“' . (array_values($room->names)[0] ?? $room->slug) . '”';
    }
}
