<?php

declare(strict_types=1);

namespace App\Queries\Catalogue;

use App\Models\StaffList;
use App\Models\Title;
use App\Queries\Lending\CardReach;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/** A library's staff lists with how many titles each has, how many are ready now, and its first covers. */
final class StaffLists
{
    /**
     * @return list<array{list: StaffList, titles: int, ready: int, first: list<Title>}>
     */
    public function of(int $libraryId, DateTimeImmutable $now, CardReach $reach = new CardReach): array
    {
        $lists = StaffList::query()->where('library_id', $libraryId)->orderBy('position')
            ->with(['titles' => fn ($query) => $query->where('staff_list_title.position', '<', 3)->select('titles.id', 'work_id', 'format', 'name', 'edition', 'cover_file')])->get();
        [$held, $heldBindings] = HeldTitles::condition($libraryId, $now);
        [$ready, $readyBindings] = HeldTitles::condition($libraryId, $now, true, $reach);
        $counts = DB::table('staff_list_title')->join('search_rows as s', 's.title_id', '=', 'staff_list_title.title_id')
            ->whereIn('staff_list_id', $lists->modelKeys())->groupBy('staff_list_id')
            ->selectRaw("staff_list_id, count(*) filter (where {$held}) titles, count(*) filter (where {$ready}) ready", [...$heldBindings, ...$readyBindings])
            ->get()->keyBy('staff_list_id');

        return array_values($lists->map(fn (StaffList $list): array => [
            'list' => $list,
            'titles' => (int) ($counts[$list->id]->titles ?? 0),
            'ready' => (int) ($counts[$list->id]->ready ?? 0),
            'first' => array_values($list->titles->all()),
        ])->all());
    }
}
