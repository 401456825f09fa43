<?php

declare(strict_types=1);

namespace App\Catalogue\StaffLists;

use App\Catalogue\Rooms\RoomChoice;
use App\Catalogue\Search\CatalogueSearch;
use App\Catalogue\Search\FoundAtAGlance;
use App\Catalogue\Search\HeldTitles;
use App\Catalogue\Search\QuerySql;
use App\Catalogue\Search\SearchRequest;
use App\Lending\LoanRules\CardEligibility;
use App\Models\Library;
use App\Models\StaffList;
use App\Models\Title;
use App\Shared\TitleNames;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Query\QueryParser;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/** A library's staff lists with how many titles each has, how many are ready now, and its first covers. */
final class StaffLists
{
    public function __construct(private readonly CatalogueSearch $search) {}

    private const COVERS = ['titles.id', 'work_id', 'format', 'name', 'edition', 'audience', 'language', 'cover_file'];

    private const COUNTED = 'with m as (%s), f as (select m.list_id, m.title_id, m.place, %s can from m
        join search_rows s on s.title_id = m.title_id where %s)
        select list_id, count(*) titles, count(*) filter (where can & 2 > 0) ready, array_to_json((array_agg(title_id
            order by place))[1:%d]) first from f where can & 1 > 0 group by list_id';

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
        $chosen = $choice?->isSet() === true;
        $found = $this->oneByOne(
            lists: $chosen ? $lists : $lists->whereNull('words'),
            library: $library,
            now: $now,
            eligibility: $eligibility,
            choice: $choice,
            covers: $covers,
        );
        foreach ($chosen ? [] : $lists->whereNotNull('words') as $list) {
            $found[$list->id] = $this->search->glance(
                SearchRequest::read(
                    $library->id,
                    ['list' => (string) $list->id, 'order' => 'most_borrowed'],
                    $eligibility,
                    listWords: $list->words,
                ),
                $covers,
                $now,
            );
        }
        $titles = Title::query()
            ->select(self::COVERS)
            ->findMany(array_unique(array_merge(...array_map(fn(FoundAtAGlance $of): array => $of->first, $found))))
            ->keyBy('id');
        if ($covers > 3) {
            TitleNames::giveTo($titles);
        }

        return array_values(
            $lists
                ->map(function (StaffList $list) use ($found, $titles): ListOnShow {
                    $of = $found[$list->id] ?? new FoundAtAGlance();

                    return new ListOnShow(
                        $list,
                        $of->titles,
                        $of->ready,
                        array_values(array_filter(array_map(fn(int $id): ?Title => $titles[$id] ?? null, $of->first))),
                    );
                })
                ->all(),
        );
    }

    /**
     * Counted title by title: what is on lists made by hand, and what a room's choice leaves of any.
     *
     * @param  Collection<int, StaffList>  $lists
     * @return array<int, FoundAtAGlance> by list; of those that have any title
     */
    private function oneByOne(
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
        $found = [];
        foreach (
            DB::select(sprintf(self::COUNTED, $members, $can, $where, $covers), [
                ...$memberBindings,
                ...$canBindings,
                ...$whereBindings,
            ])
            as $row
        ) {
            $found[$row->list_id] = new FoundAtAGlance($row->titles, $row->ready, json_decode($row->first ?? '[]'));
        }

        return $found;
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
