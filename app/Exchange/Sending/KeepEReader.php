<?php

declare(strict_types=1);

namespace App\Exchange\Sending;

use App\Models\EReader;
use App\Models\Person;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Mail;

/** A mail address of a person's e-reader: a code is sent there, and who knows it has seen that it is theirs. */
final class KeepEReader
{
    private const DIGITS = 6;

    public const CODE_HOURS = 24;

    private const TRIES = 5;

    public function ask(Person $person, string $address, DateTimeImmutable $now): void
    {
        $code = str_pad((string) random_int(0, 10 ** self::DIGITS - 1), self::DIGITS, '0', STR_PAD_LEFT);
        DB::transaction(function () use ($person, $address, $code, $now): void {
            EReader::query()->updateOrCreate(
                ['person_id' => $person->id],
                [
                    'address' => $address,
                    'code_hash' => Hash::make($code),
                    'tries' => 0,
                    'asked_at' => $now,
                    'confirmed_at' => null,
                ],
            );
            Mail::to($address)->locale($person->locale)->queue(new EReaderCodeMail($person->name, $code));
        });
    }

    /** Whether it was the code. */
    public function confirm(Person $person, string $code, CarbonImmutable $now): bool
    {
        return DB::transaction(function () use ($person, $code, $now): bool {
            $of = EReader::query()->lockForUpdate()->find($person->id);
            if (
                $of === null ||
                $of->code_hash === null ||
                $of->tries >= self::TRIES ||
                $of->asked_at <= $now->subHours(self::CODE_HOURS)
            ) {
                return false;
            }
            $isIt = Hash::check(trim($code), $of->code_hash);
            $of->update($isIt ? ['confirmed_at' => $now, 'code_hash' => null] : ['tries' => $of->tries + 1]);

            return $isIt;
        });
    }

    public function remove(Person $person): void
    {
        EReader::query()->whereKey($person->id)->delete();
    }
}
