<?php

declare(strict_types=1);

namespace App\Catalogue\Rooms;

use FigPorch\Core\Catalogue\Room;
use Illuminate\Support\Facades\DB;

/** What the titles on a room's lists, or for its readers, are most about. */
final class RoomSubjects
{
    private const MOST = 12;

    /** @return array<int, string> names by number */
    public function of(int $libraryId, Room $room): array
    {
        $audience = $room->audience;

        return DB::table('subject_title as st')
            ->join('subjects as x', 'x.id', '=', 'st.subject_id')
            ->whereIn(
                'st.title_id',
                DB::table('search_rows')
                    ->select('title_id')
                    ->whereRaw('? = any(held)', [$libraryId])
                    ->when(
                        $audience !== null,
                        fn($query) => $query->where('audience', $audience?->value),
                        fn($query) => $query->whereIn(
                            'title_id',
                            DB::table('staff_list_title')
                                ->join('staff_lists', 'staff_lists.id', '=', 'staff_list_id')
                                ->where('library_id', $libraryId)
                                ->where('room', $room->slug)
                                ->select('title_id'),
                        ),
                    ),
            )
            ->groupBy('x.id')
            ->orderByRaw('count(*) desc, x.name')
            ->limit(self::MOST)
            ->pluck('x.name', 'x.id')
            ->all();
    }
}
