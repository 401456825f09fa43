<?php

declare(strict_types=1);

namespace App\Desk\Usage;

use App\Desk\Trail\ChangeKind;
use App\Desk\Trail\RecordChange;
use App\Models\CounterKey;
use App\Models\StaffMember;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/** Ends that a program fetches the library's reports of use. */
final class TakeKeyBack
{
    public function __construct(private readonly RecordChange $recordChange) {}

    public function __invoke(StaffMember $by, CounterKey $key, DateTimeImmutable $now): void
    {
        DB::transaction(function () use ($by, $key, $now): void {
            // Taken back twice at once, it is so once.
            if (CounterKey::query()->whereKey($key->id)->delete() === 1) {
                ($this->recordChange)(
                    $by,
                    ChangeKind::UsageKeyRemoved,
                    $key->name,
                    ['requestor' => [null, $key->requestor_id]],
                    $now,
                );
            }
        });
    }
}
