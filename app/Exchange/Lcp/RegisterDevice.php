<?php

declare(strict_types=1);

namespace App\Exchange\Lcp;

use App\Models\ProtectedLoan;
use App\Models\ProtectedLoanEvent;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/** A device that has opened a file for the first time. */
final class RegisterDevice
{
    /** Of one loan: a household has a few, a file that goes round has many (common practice, no source). */
    public const MOST = 6;

    /** @return bool false where as many as may have opened it already */
    public function __invoke(ProtectedLoan $of, Device $device, DateTimeImmutable $now): bool
    {
        return DB::transaction(function () use ($of, $device, $now): bool {
            // Two that come at once are counted one after the other.
            ProtectedLoan::query()->whereKey($of->id)->lockForUpdate()->firstOrFail();
            $known = ProtectedLoanEvent::query()->where('protected_loan_id', $of->id)->where('kind', 'register');
            if ((clone $known)->where('device_id', $device->id)->exists()) {
                return true;
            }
            if ($known->count() >= self::MOST) {
                return false;
            }
            ProtectedLoanEvent::query()->create([
                'protected_loan_id' => $of->id,
                'kind' => 'register',
                'device_id' => $device->id,
                'device_name' => $device->name,
                'happened_at' => $now,
            ]);

            return true;
        });
    }
}
