<?php

declare(strict_types=1);

namespace App\Desk\Usage;

use App\Desk\Trail\ChangeKind;
use App\Desk\Trail\RecordChange;
use App\Exchange\Counter\CounterKeys;
use App\Models\CounterKey;
use App\Models\StaffMember;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/** Lets somebody's program fetch the library's reports of use. */
final class GiveKey
{
    /** Of a library; more are a mistake. */
    public const MOST = 50;

    public function __construct(private readonly CounterKeys $keys, private readonly RecordChange $recordChange) {}

    /** @return array{CounterKey, string}|null and the key, which nobody sees again; null where there are too many */
    public function __invoke(StaffMember $by, string $name, DateTimeImmutable $now): ?array
    {
        return DB::transaction(function () use ($by, $name, $now): ?array {
            DB::select('select from libraries where id = ? for no key update', [$by->library_id]);
            if (CounterKey::query()->where('library_id', $by->library_id)->count() >= self::MOST) {
                return null;
            }
            [$of, $key] = $this->keys->make($by, $name, $now);
            ($this->recordChange)(
                $by,
                ChangeKind::UsageKeyMade,
                $name,
                ['requestor' => [null, $of->requestor_id]],
                $now,
            );

            return [$of, $key];
        });
    }
}
