<?php

declare(strict_types=1);

namespace App\Exchange\Counter;

use App\Models\CounterKey;
use App\Models\Library;
use App\Models\StaffMember;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use FigPorch\Core\Exchange\Counter\CounterError;
use FigPorch\Core\Exchange\Counter\CounterRefused;
use Illuminate\Support\Str;

/** Keys with which reports of use are fetched. Only what is reckoned from a key is kept: it is shown once. */
final class CounterKeys
{
    private const LETTERS = 40;

    private const NUMBER_LETTERS = 10;

    /** How often it is noted that one is used. */
    private const USED_MINUTES = 60;

    /** @return array{CounterKey, string} and the key itself */
    public function make(StaffMember $staff, string $name, DateTimeImmutable $now): array
    {
        $key = Str::random(self::LETTERS);

        return [
            CounterKey::query()->create([
                'library_id' => $staff->library_id,
                'name' => $name,
                'requestor_id' => "{$staff->library->slug}-" . Str::lower(Str::random(self::NUMBER_LETTERS)),
                'key_hash' => self::hash($key),
                'staff_member_id' => $staff->id,
                'made_at' => $now,
            ]),
            $key,
        ];
    }

    /**
     * The library whose reports somebody may have.
     *
     * @param  string  $customer  its name in addresses
     *
     * @throws CounterRefused
     */
    public function library(string $requestor, string $key, string $customer, CarbonImmutable $now): Library
    {
        if ($requestor === '' || $customer === '') {
            throw new CounterRefused(
                CounterError::InsufficientInformation,
                $requestor === '' ? 'requestor_id is missing' : 'customer_id is missing',
            );
        }
        $of = CounterKey::query()->with('library')->firstWhere('requestor_id', $requestor);
        if ($of === null) {
            throw new CounterRefused(CounterError::RequestorNotAuthorized);
        }
        if (!hash_equals($of->key_hash, self::hash($key))) {
            throw new CounterRefused(CounterError::ApiKeyInvalid, $key === '' ? 'api_key is missing' : '');
        }
        if ($customer !== $of->library->slug) {
            throw new CounterRefused(CounterError::NotForInstitution);
        }
        if ($of->used_at === null || $of->used_at < $now->subMinutes(self::USED_MINUTES)) {
            $of->update(['used_at' => $now]);
        }

        return $of->library;
    }

    private static function hash(string $key): string
    {
        return hash('sha256', $key);
    }
}
