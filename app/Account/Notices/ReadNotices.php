<?php

declare(strict_types=1);

namespace App\Account\Notices;

use App\Models\Notice;
use App\Models\Person;
use DateTimeImmutable;
use Illuminate\Database\Eloquent\Collection;

/** A person's notices, which count as seen from now on. */
final class ReadNotices
{
    private const MOST_SHOWN = 100;

    /** @return Collection<int, Notice> the newest first; those not seen before have no read_at yet */
    public function __invoke(Person $person, DateTimeImmutable $now): Collection
    {
        $shown = Notice::query()->where('person_id', $person->id)->where('shown', true);
        $notices = $shown->clone()->latest()->latest('id')->limit(self::MOST_SHOWN)->get();
        $shown
            ->clone()
            ->whereNull('read_at')
            ->update(['read_at' => $now]);

        return $notices;
    }
}
