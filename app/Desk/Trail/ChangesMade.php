<?php

declare(strict_types=1);

namespace App\Desk\Trail;

use App\Models\Card;
use App\Models\Library;
use App\Shared\Sql;
use DateTimeImmutable;
use Illuminate\Contracts\Pagination\LengthAwarePaginator;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** The audit trail of a library, the newest first. */
final class ChangesMade
{
    private const PAGE = 50;

    private const OF_ONE = 10;

    private const WHAT = 'desk_changes.id, desk_changes.what, subject, facts, changed_at, staff_members.name as by';

    /** @return LengthAwarePaginator<int, stdClass> */
    public function page(Library $library, TrailSearch $search): LengthAwarePaginator
    {
        return $this->query($library, $search)
            ->selectRaw(self::WHAT)
            ->orderByDesc('changed_at')
            ->orderByDesc('desk_changes.id')
            ->paginate(self::PAGE)
            ->appends($search->address());
    }

    /** @return iterable<stdClass> */
    public function all(Library $library, TrailSearch $search): iterable
    {
        return $this->query($library, $search)
            ->selectRaw(self::WHAT)
            ->orderByDesc('changed_at')
            ->orderByDesc('desk_changes.id')
            ->cursor();
    }

    /** @return list<stdClass> the last of one card */
    public function ofCard(Card $card): array
    {
        return array_values(
            DB::table('desk_changes')
                ->join('staff_members', 'staff_members.id', '=', 'desk_changes.staff_member_id')
                ->where('card_id', $card->id)
                ->selectRaw(self::WHAT)
                ->orderByDesc('changed_at')
                ->orderByDesc('desk_changes.id')
                ->limit(self::OF_ONE)
                ->get()
                ->all(),
        );
    }

    /** @return array<int, string> names by number, of those who changed anything */
    public function people(Library $library): array
    {
        return DB::table('staff_members')
            ->whereIn('id', DB::table('desk_changes')->select('staff_member_id')->where('library_id', $library->id))
            ->orderBy('name')
            ->pluck('name', 'id')
            ->all();
    }

    /** @return list<string> kinds of changes that there are */
    public function kinds(Library $library): array
    {
        return array_values(
            DB::table('desk_changes')
                ->where('library_id', $library->id)
                ->distinct()
                ->orderBy('what')
                ->pluck('what')
                ->all(),
        );
    }

    private function query(Library $library, TrailSearch $search): Builder
    {
        $zone = $library->zone();
        $midnight = fn(string $day, string $move): string => Sql::second(
            (new DateTimeImmutable($day, $zone))->modify($move),
        );

        return DB::table('desk_changes')
            ->join('staff_members', 'staff_members.id', '=', 'desk_changes.staff_member_id')
            ->where('desk_changes.library_id', $library->id)
            ->when($search->by !== null, fn(Builder $q) => $q->where('staff_member_id', $search->by))
            ->when($search->what !== null, fn(Builder $q) => $q->where('what', $search->what))
            ->when(
                $search->find !== '',
                fn(Builder $q) => $q->whereRaw("lower(subject || ' ' || facts::text) like lower(?)", [
                    '%' . addcslashes($search->find, '%_\\') . '%',
                ]),
            )
            ->when(
                $search->from !== null,
                fn(Builder $q) => $q->where('changed_at', '>=', $midnight((string) $search->from, 'today')),
            )
            ->when(
                $search->until !== null,
                fn(Builder $q) => $q->where('changed_at', '<', $midnight((string) $search->until, 'tomorrow')),
            );
    }
}
