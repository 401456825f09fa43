<?php

declare(strict_types=1);

namespace App\Queries\Catalogue;

use App\Models\Title;
use DateTimeImmutable;
use Illuminate\Database\Eloquent\Collection;

/** What a library has, for those who come to its front door. */
final class WhatIsHere
{
    /** @return array<string, int> titles by format */
    public function counts(int $libraryId, DateTimeImmutable $now): array
    {
        return array_map(intval(...), HeldTitles::of($libraryId, $now)->toBase()->groupBy('format')->selectRaw('format, count(*) n')->pluck('n', 'format')->all());
    }

    /** @return Collection<int, Title> newly come and to be had at this moment; those with a file first */
    public function readyNow(int $libraryId, DateTimeImmutable $now, int $count = 6): Collection
    {
        $titles = HeldTitles::of($libraryId, $now, readyNow: true)
            ->orderByRaw('exists (select from publications p where p.title_id = titles.id) desc, cover_file is not null desc, added_at desc')
            ->orderBy('id')->limit($count)->get();
        TitleNames::giveTo($titles);

        return $titles;
    }
}
