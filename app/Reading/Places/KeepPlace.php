<?php

declare(strict_types=1);

namespace App\Reading\Places;

use DateTimeImmutable;
use FigPorch\Core\Reading\Locator;
use Illuminate\Support\Facades\DB;

/** Keeps where a person is on one device. What arrives late does not overwrite what was read later. */
final class KeepPlace
{
    public function __invoke(
        int $personId,
        int $titleId,
        string $device,
        string $deviceName,
        Locator $locator,
        DateTimeImmutable $readAt,
    ): void {
        DB::insert(
            'insert into places (person_id, title_id, device, device_name, locator, read_at) values (?, ?, ?, ?, ?, ?)
                on conflict (person_id, title_id, device) do update
                set locator = excluded.locator, device_name = excluded.device_name, read_at = excluded.read_at
                where places.read_at <= excluded.read_at',
            [
                $personId,
                $titleId,
                $device,
                $deviceName,
                json_encode($locator->toArray(), JSON_THROW_ON_ERROR),
                $readAt->format('Y-m-d H:i:s.vP'),
            ],
        );
    }
}
