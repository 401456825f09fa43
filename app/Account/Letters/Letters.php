<?php

declare(strict_types=1);

namespace App\Account\Letters;

use App\Models\Letter;
use App\Models\Library;
use App\Models\Person;
use Illuminate\Contracts\Pagination\LengthAwarePaginator;

/** Letters, the last written first. */
final class Letters
{
    private const PAGE = 50;

    /** @return LengthAwarePaginator<int, Letter> */
    public function of(Person $person): LengthAwarePaginator
    {
        return Letter::query()
            ->with(['library', 'parts'])
            ->where('person_id', $person->id)
            ->orderByDesc('last_at')
            ->orderByDesc('id')
            ->paginate(self::PAGE);
    }

    /** @return LengthAwarePaginator<int, Letter> to a library; those that wait for an answer, the longest first */
    public function to(Library $library, bool $waiting): LengthAwarePaginator
    {
        return Letter::query()
            ->with('parts')
            ->where('library_id', $library->id)
            ->where('waits', $waiting)
            ->orderBy('last_at', $waiting ? 'asc' : 'desc')
            ->orderBy('id', $waiting ? 'asc' : 'desc')
            ->paginate(self::PAGE)
            ->withQueryString();
    }
}
