<?php

declare(strict_types=1);

namespace App\Reading\Places;

use App\Models\Place;
use Illuminate\Database\Eloquent\Collection;

/** Where a person is in a title, on each of their devices, the newest first. */
final class Places
{
    /** @return Collection<int, Place> */
    public function all(int $personId, int $titleId): Collection
    {
        return Place::query()
            ->where(['person_id' => $personId, 'title_id' => $titleId])
            ->orderByDesc('read_at')
            ->get();
    }

    public function newest(int $personId, int $titleId): ?Place
    {
        return $this->all($personId, $titleId)->first();
    }
}
