<?php

declare(strict_types=1);

namespace App\Desk\Lists;

use App\Catalogue\Baskets\ArrangeBaskets;
use App\Desk\Trail\ChangeKind;
use App\Desk\Trail\RecordChange;
use App\Models\StaffList;
use App\Models\StaffMember;
use App\Shared\Sql;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/** Makes, orders and fills a library's staff lists. */
final class ArrangeStaffLists
{
    public const MOST_TITLES = 500;

    public function __construct(private readonly RecordChange $recordChange) {}

    /**
     * @param  array{name: string, note: string|null, room: string, words: string|null, shows_from: string|null,
     *     shows_until: string|null}  $facts
     */
    public function make(StaffMember $by, array $facts, DateTimeImmutable $now): StaffList
    {
        return DB::transaction(function () use ($by, $facts, $now): StaffList {
            // The same form sent twice makes one list.
            DB::select('select from libraries where id = ? for no key update', [$by->library_id]);
            $beside = StaffList::query()->where('library_id', $by->library_id)->where('room', $facts['room']);

            $list = StaffList::query()->firstOrCreate(
                [...$facts, 'library_id' => $by->library_id],
                ['position' => 1 + (int) $beside->max('position')],
            );
            $list->wasRecentlyCreated && ($this->recordChange)($by, ChangeKind::ListMade, "“{$list->name}”", [], $now);

            return $list;
        });
    }

    /** @param  array<string, mixed>  $facts  as make() takes them */
    public function change(StaffMember $by, StaffList $list, array $facts, DateTimeImmutable $now): void
    {
        DB::transaction(function () use ($by, $list, $facts, $now): void {
            $was = "“{$list->name}”";
            $list->update($facts);
            $list->wasChanged() && ($this->recordChange)($by, ChangeKind::ListChanged, $was, [], $now);
        });
    }

    public function remove(StaffMember $by, StaffList $list, DateTimeImmutable $now): void
    {
        DB::transaction(function () use ($by, $list, $now): void {
            $list->delete();
            ($this->recordChange)($by, ChangeKind::ListRemoved, "“{$list->name}”", [], $now);
        });
    }

    /** Up or down among the lists of its room. */
    public function shift(StaffList $list, int $by): void
    {
        DB::transaction(function () use ($list, $by): void {
            $ids = StaffList::query()
                ->where('library_id', $list->library_id)
                ->where('room', $list->room)
                ->orderBy('position')
                ->orderBy('id')
                ->lockForUpdate()
                ->pluck('id')
                ->all();
            foreach (ArrangeBaskets::shifted(array_values($ids), $list->id, $by) as $position => $id) {
                StaffList::query()
                    ->whereKey($id)
                    ->update(['position' => $position]);
            }
        });
    }

    /** @return bool false when the list is full */
    public function add(StaffList $list, int $titleId): bool
    {
        return DB::transaction(function () use ($list, $titleId): bool {
            $this->lock($list);
            if (
                DB::table('staff_list_title')
                    ->where('staff_list_id', $list->id)
                    ->where('title_id', '<>', $titleId)
                    ->count() >= self::MOST_TITLES
            ) {
                return false;
            }
            DB::insert(
                'insert into staff_list_title (staff_list_id, title_id, position)
                    select ?, ?, coalesce(max(position), -1) + 1 from staff_list_title
                    where staff_list_id = ? on conflict do nothing',
                [$list->id, $titleId, $list->id],
            );

            return true;
        });
    }

    public function takeOff(StaffList $list, int $titleId): void
    {
        DB::table('staff_list_title')
            ->where(['staff_list_id' => $list->id, 'title_id' => $titleId])
            ->delete();
    }

    public function shiftTitle(StaffList $list, int $titleId, int $by): void
    {
        DB::transaction(function () use ($list, $titleId, $by): void {
            $this->lock($list);
            $ids = DB::table('staff_list_title')
                ->where('staff_list_id', $list->id)
                ->orderBy('position')
                ->orderBy('title_id')
                ->pluck('title_id')
                ->all();
            DB::update(
                'update staff_list_title l set position = o.n - 1 from unnest(?::bigint[]) with ordinality o(id, n)
                    where l.staff_list_id = ? and l.title_id = o.id',
                [Sql::array(ArrangeBaskets::shifted(array_values($ids), $titleId, $by)), $list->id],
            );
        });
    }

    private function lock(StaffList $list): void
    {
        DB::select('select from staff_lists where id = ? for no key update', [$list->id]);
    }
}
