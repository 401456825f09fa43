<?php

declare(strict_types=1);

namespace App\Desk\SignIn;

use App\Account\SignIn\TryLimit;
use App\Models\StaffMember;
use DateTimeImmutable;
use FigPorch\Core\Account\OneTimeCode;
use Illuminate\Support\Facades\DB;

/** One-time codes beside the password, and the codes on paper for when the device is lost. */
final class SecondFactor
{
    private const RECOVERY_CODES = 8;

    /** Of a recovery code: 50 bits, so a hash without salt keeps it. */
    private const RECOVERY_BYTES = 5;

    public static function isOn(StaffMember $member): bool
    {
        return $member->second_factor !== null;
    }

    /** @return string bytes of a secret that is not anybody's yet */
    public function newSecret(): string
    {
        return OneTimeCode::secret(random_bytes(...));
    }

    /** What a device reads from a picture to make the codes ("otpauth", as authenticators read it). */
    public static function address(StaffMember $member, string $secret): string
    {
        return 'otpauth://totp/' .
            rawurlencode("Fig Porch:{$member->email}") .
            '?' .
            http_build_query(['secret' => OneTimeCode::base32($secret), 'issuer' => 'Fig Porch']);
    }

    /**
     * On from now on, on the word of a code that the device makes.
     *
     * @return list<string>|null recovery codes, which are known for this moment alone; null where the code is another
     */
    public function turnOn(StaffMember $member, string $secret, string $code, DateTimeImmutable $now): ?array
    {
        $step = (new OneTimeCode($secret))->stepOf(self::digits($code), $now->getTimestamp(), 0);
        if ($step === null) {
            return null;
        }
        $recovery = array_map(
            fn(): string => implode('-', str_split(bin2hex(random_bytes(self::RECOVERY_BYTES)), 5)),
            range(1, self::RECOVERY_CODES),
        );
        StaffMember::query()
            ->whereKey($member->id)
            ->update([
                'second_factor' => encrypt($secret),
                'second_factor_step' => $step,
                'recovery_codes' => json_encode(array_map(self::hash(...), $recovery), JSON_THROW_ON_ERROR),
            ]);

        return $recovery;
    }

    public function turnOff(StaffMember $member): void
    {
        StaffMember::query()
            ->whereKey($member->id)
            ->update(['second_factor' => null, 'second_factor_step' => null, 'recovery_codes' => null]);
    }

    /** @return bool|int whether it is the code of the moment, or one on paper; seconds to wait after too many tries */
    public function check(StaffMember $member, string $code, string $address, DateTimeImmutable $now): bool|int
    {
        $limit = new TryLimit("staff-code:{$member->id}", $address);
        if (($wait = $limit->begin()) !== null) {
            return $wait;
        }
        $isGood = DB::transaction(function () use ($member, $code, $now): bool {
            // Of two that come with the same code at the same moment one is let in.
            $row = StaffMember::query()->lockForUpdate()->find($member->id);
            if ($row === null || $row->second_factor === null) {
                return false;
            }
            $codes = new OneTimeCode(decrypt($row->second_factor));
            $step = $codes->stepOf(self::digits($code), $now->getTimestamp(), $row->second_factor_step ?? 0);
            if ($step !== null) {
                return StaffMember::query()
                    ->whereKey($row->id)
                    ->update(['second_factor_step' => $step]) === 1;
            }
            $left = $row->recovery_codes ?? [];
            $hash = self::hash(mb_strtolower(trim($code)));
            if (!in_array($hash, $left, true)) {
                return false;
            }
            $left = array_values(array_diff($left, [$hash]));

            return StaffMember::query()
                ->whereKey($row->id)
                ->update(['recovery_codes' => json_encode($left, JSON_THROW_ON_ERROR)]) === 1;
        });
        $isGood && $limit->succeeded();

        return $isGood;
    }

    /** "123 456" is how some devices show it. */
    private static function digits(string $code): string
    {
        return (string) preg_replace('/\s+/', '', $code);
    }

    private static function hash(string $code): string
    {
        return hash('sha256', $code);
    }
}
