<?php

declare(strict_types=1);

namespace App\Catalogue\StaffLists;

use App\Catalogue\Rooms\RoomChoice;
use App\Catalogue\Search\HeldTitles;
use App\Catalogue\Search\QuerySql;
use App\Lending\LoanRules\CardEligibility;
use App\Models\Library;
use App\Models\StaffList;
use App\Models\Title;
use App\Shared\TitleNames;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Query\QueryParser;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;

/** A library's staff lists with how many titles each has, how many are ready now, and its first covers. */
final class StaffLists
{
    private const COVERS = ['titles.id', 'work_id', 'format', 'name', 'edition', 'audience', 'language', 'cover_file'];

    private const COUNTED = 'with m as (%s), f as (select m.list_id, m.title_id, m.place, %s can from m
        join search_rows s on s.title_id = m.title_id where %s)
        select list_id, count(*) titles, count(*) filter (where can & 2 > 0) ready, (array_agg(title_id
            order by place))[1:%d] first from f where can & 1 > 0 group by list_id';

    /**
     * Those that show today, of one room or of all.
     *
     * @return list<ListOnShow>
     */
    public function showing(
        Library $library,
        DateTimeImmutable $now,
        CardEligibility $eligibility = new CardEligibility(),
        ?string $room = null,
        ?RoomChoice $choice = null,
        int $covers = 3,
        ?int $only = null,
    ): array {
        $today = $now->setTimezone($library->zone())->format('Y-m-d');
        $lists = StaffList::query()
            ->where('library_id', $library->id)
            ->when($only, fn($query) => $query->whereKey($only))
            ->when($room, fn($query) => $query->where('room', $room))
            ->where(fn($query) => $query->whereNull('shows_from')->orWhere('shows_from', '<=', $today))
            ->where(fn($query) => $query->whereNull('shows_until')->orWhere('shows_until', '>=', $today))
            ->orderBy('position')
            ->orderBy('id')
            ->get();

        return $this->counted(
            lists: $lists,
            library: $library,
            now: $now,
            eligibility: $eligibility,
            choice: $choice,
            covers: $covers,
        );
    }

    /** @return list<ListOnShow> every one, whenever it shows */
    public function all(Library $library, DateTimeImmutable $now): array
    {
        return $this->counted(
            lists: StaffList::query()
                ->where('library_id', $library->id)
                ->orderBy('room')
                ->orderBy('position')
                ->orderBy('id')
                ->get(),
            library: $library,
            now: $now,
            eligibility: new CardEligibility(),
            choice: null,
            covers: 0,
        );
    }

    /**
     * @param  Collection<int, StaffList>  $lists
     * @return list<ListOnShow>
     */
    private function counted(
        Collection $lists,
        Library $library,
        DateTimeImmutable $now,
        CardEligibility $eligibility,
        ?RoomChoice $choice,
        int $covers,
    ): array {
        if ($lists->isEmpty()) {
            return [];
        }
        [$members, $memberBindings] = $this->members($lists, HeldTitles::perhaps([$library->id], $now));
        [$can, $canBindings] = HeldTitles::can($library->id, $now, $eligibility);
        [$where, $whereBindings] = $choice?->sql() ?? ['true', []];
        $rows = collect(
            DB::select(sprintf(self::COUNTED, $members, $can, $where, $covers), [
                ...$memberBindings,
                ...$canBindings,
                ...$whereBindings,
            ]),
        )->keyBy('list_id');
        $firsts = $rows->map(
            fn(stdClass $row): array => $row->first === null
                ? []
                : array_map(
                    intval(...),
                    array_filter(explode(',', trim($row->first, '{}')), fn(string $id): bool => $id !== ''),
                ),
        );
        $titles = Title::query()
            ->select(self::COVERS)
            ->findMany($firsts->flatten()->unique()->all())
            ->keyBy('id');
        if ($covers > 3) {
            TitleNames::giveTo($titles);
        }

        return array_values(
            $lists
                ->map(
                    fn(StaffList $list): ListOnShow => new ListOnShow(
                        $list,
                        (int) ($rows[$list->id]->titles ?? 0),
                        (int) ($rows[$list->id]->ready ?? 0),
                        array_values(
                            array_filter(
                                array_map(fn(int $id): ?Title => $titles[$id] ?? null, $firsts[$list->id] ?? []),
                            ),
                        ),
                    ),
                )
                ->all(),
        );
    }

    /**
     * What is on lists made by hand and by a search, in each list's order.
     *
     * @param  Collection<int, StaffList>  $lists
     * @param  array{string, list<mixed>}  $perhaps  which titles the library may have
     * @return array{string, list<mixed>}
     */
    private function members(Collection $lists, array $perhaps): array
    {
        $parts = [
            'select staff_list_id list_id, title_id, position::bigint place from staff_list_title
                where staff_list_id = any(?::bigint[])',
        ];
        $bindings = ['{' . $lists->whereNull('words')->pluck('id')->implode(',') . '}'];
        foreach ($lists->whereNotNull('words') as $list) {
            $query = QuerySql::of(QueryParser::read((string) $list->words)->tree);
            $parts[] = "select ?::bigint, s.title_id, row_number() over (order by s.times_borrowed desc, s.title_id)
                from search_rows s where {$query->sql} and {$perhaps[0]}";
            array_push($bindings, $list->id, ...$query->bindings, ...$perhaps[1]);
        }

        return [implode(' union all ', $parts), $bindings];
    }
}
