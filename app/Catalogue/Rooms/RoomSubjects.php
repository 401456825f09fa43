<?php

declare(strict_types=1);

namespace App\Catalogue\Rooms;

use App\Catalogue\Filters\SubjectFilter;
use App\Catalogue\Search\CatalogueSearch;
use App\Catalogue\Search\SearchRequest;
use App\Lending\LoanRules\CardEligibility;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Room;
use Illuminate\Support\Facades\DB;

/** What the titles on a room's lists, or for its readers, are most about. */
final readonly class RoomSubjects
{
    public function __construct(private CatalogueSearch $search) {}

    /** @return array<int, string> names by number, the commonest first */
    public function of(int $libraryId, Room $room, DateTimeImmutable $now): array
    {
        if ($room->audience === null) {
            return $this->ofLists($libraryId, $room);
        }
        $facets = $this->search->facets(
            SearchRequest::read($libraryId, ['audience' => $room->audience->value], new CardEligibility()),
            $now,
        );
        $names = [];
        foreach (array_keys($facets->of(SubjectFilter::name())) as $id) {
            $names[(int) $id] = (string) $facets->name(SubjectFilter::name(), $id);
        }

        return $names;
    }

    /** @return array<int, string> */
    private function ofLists(int $libraryId, Room $room): array
    {
        return DB::table('subject_title as st')
            ->join('subjects as x', 'x.id', '=', 'st.subject_id')
            ->whereIn(
                'st.title_id',
                DB::table('search_rows')
                    ->select('title_id')
                    ->whereRaw('? = any(held)', [$libraryId])
                    ->whereIn(
                        'title_id',
                        DB::table('staff_list_title')
                            ->join('staff_lists', 'staff_lists.id', '=', 'staff_list_id')
                            ->where('library_id', $libraryId)
                            ->where('room', $room->slug)
                            ->select('title_id'),
                    ),
            )
            ->groupBy('x.id')
            ->orderByRaw('count(*) desc, x.name')
            ->limit(SubjectFilter::OFFERED)
            ->pluck('x.name', 'x.id')
            ->all();
    }
}
