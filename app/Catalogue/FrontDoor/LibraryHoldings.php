<?php

declare(strict_types=1);

namespace App\Catalogue\FrontDoor;

use App\Catalogue\Search\HeldTitles;
use App\Models\Title;
use App\Shared\TitleNames;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Format;
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

    /** Those with a file first. */
    public const NEWEST = 'exists (select from publications p where p.title_id = titles.id) desc,
        cover_file is not null desc, titles.added_at desc, titles.id';

    public const MOST_BORROWED = 's.times_borrowed desc, titles.id';

    /**
     * @param  bool  $ready  those to be had at this moment alone
     * @param  string  $order  one of the above
     * @return Collection<int, Title> each of another work: as an ebook and read aloud it is one book
     */
    public function titles(int $libraryId, DateTimeImmutable $now, bool $ready, string $order, int $count): Collection
    {
        $titles = Title::query()
            ->select('titles.*')
            ->join('search_rows as s', 's.title_id', '=', 'titles.id')
            ->whereRaw(...HeldTitles::condition($libraryId, $now, readyNow: $ready))
            ->orderByRaw($order)
            ->limit($count * count(Format::cases()))
            ->get()
            ->unique('work_id')
            ->take($count)
            ->values();
        TitleNames::giveTo($titles);

        return $titles;
    }
}
