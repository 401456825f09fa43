<?php

declare(strict_types=1);

namespace App\Catalogue\FrontDoor;

use App\Catalogue\Search\HeldTitles;
use App\Models\Title;
use App\Shared\TitleNames;
use DateTimeImmutable;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/** What a library has, for those who come to its front door. */
final class LibraryHoldings
{
    /** @return array<string, int> titles by format */
    public function counts(int $libraryId, DateTimeImmutable $now): array
    {
        [$held, $bindings] = HeldTitles::condition($libraryId, $now);

        return array_column(
            DB::select("select s.format, count(*) n from search_rows s where {$held} group by s.format", $bindings),
            'n',
            'format',
        );
    }

    /** @return Collection<int, Title> newly come and to be had at this moment; those with a file first */
    public function readyNow(int $libraryId, DateTimeImmutable $now, int $count = 6): Collection
    {
        $titles = Title::query()
            ->select('titles.*')
            ->join('search_rows as s', 's.title_id', '=', 'titles.id')
            ->whereRaw(...HeldTitles::condition($libraryId, $now, readyNow: true))
            ->orderByRaw(
                'exists (select from publications p where p.title_id = titles.id) desc, cover_file is not null desc,
                    titles.added_at desc',
            )
            ->orderBy('titles.id')
            ->limit($count)
            ->get();
        TitleNames::giveTo($titles);

        return $titles;
    }
}
