<?php

declare(strict_types=1);

namespace App\Account\SignIn;

use App\Shared\Sql;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\RateLimiter;

/**
 * How often somebody may try to sign in: in any hour ten wrong tries a card (or staff name) and a hundred an address,
 * however they are spread. Half of them are free; after those they are slowed down to one in so many minutes, so that
 * nobody is locked out. What others try elsewhere does not keep the owner of a card out where they have signed in
 * before: that address has ten tries of its own.
 *
 * Each limit is a bucket that leaks: the generic cell rate algorithm of ITU-T I.371 (from memory). With b free tries
 * and one in T seconds after them, no span of S seconds sees more than b + S / T.
 */
final class TryLimit
{
    private const HOUR_SECONDS = 3600;

    private const KNOWN_DAYS = 90;

    /** The owner is told of wrong tries in so long. */
    private const TOLD_SECONDS = 86400;

    private readonly string $name;

    private readonly string $pair;

    /** @var array<string, int> what begin() took, as in limits() */
    private array $taken = [];

    public function __construct(string $name, private readonly string $address)
    {
        $this->name = sha1($name);
        $this->pair = sha1("{$name}\n{$address}");
    }

    /**
     * Counts a try before it is looked at: of forty at the same moment each is one.
     *
     * @return int|null seconds to wait, where it is one too many: it is not looked at then, and counts for nothing
     */
    public function begin(): ?int
    {
        foreach ($this->limits() as $of => $anHour) {
            $wait = $this->take($of, $anHour);
            if ($wait !== null) {
                $this->giveBack();

                return $wait;
            }
            $this->taken[$of] = $anHour;
        }

        return null;
    }

    /** @return int how many wrong tries there were for the name in a day, from wherever */
    public function failed(): int
    {
        return RateLimiter::hit("sign-in:wrong:{$this->name}", self::TOLD_SECONDS);
    }

    /** The try was none at guessing; those before it stay counted, or who has a card of their own could guess on. */
    public function succeeded(): void
    {
        $this->giveBack();
        Cache::put("sign-in:known:{$this->pair}", true, now()->addDays(self::KNOWN_DAYS));
    }

    /** @return array<string, int> by what is tried, tries in an hour */
    private function limits(): array
    {
        $ofCard = Cache::has("sign-in:known:{$this->pair}") ? $this->pair : $this->name;

        return [
            $ofCard => (int) config('figporch.sign_in_tries.card'),
            sha1("address\n{$this->address}") => (int) config('figporch.sign_in_tries.address'),
        ];
    }

    /** @return int|null seconds to wait, where none is left */
    private function take(string $of, int $anHour): ?int
    {
        $now = CarbonImmutable::now();
        $free = intdiv($anHour, 2);
        $apart = self::apart($anHour);
        $taken = DB::selectOne(
            "insert into sign_in_tries as t (of_hash, free_at)
                values (:of, :now::timestamptz + :apart * interval '1 second')
            on conflict (of_hash) do update
                set free_at = greatest(t.free_at, :now::timestamptz) + :apart * interval '1 second'
                where t.free_at <= :now::timestamptz + :room * interval '1 second'
            returning 1",
            [
                'of' => $of,
                'now' => Sql::timestamp($now),
                'apart' => $apart,
                'room' => ($free - 1) * $apart,
            ],
        );
        if ($taken !== null) {
            return null;
        }
        $freeAt = DB::table('sign_in_tries')->where('of_hash', $of)->value('free_at');
        $wait = $freeAt === null ? 0.0 : $now->diffInSeconds(CarbonImmutable::parse($freeAt)) - ($free - 1) * $apart;

        return max(1, (int) ceil($wait));
    }

    private function giveBack(): void
    {
        foreach ($this->taken as $of => $anHour) {
            DB::update('update sign_in_tries set free_at = free_at - ? * interval \'1 second\' where of_hash = ?', [
                self::apart($anHour),
                $of,
            ]);
        }
        $this->taken = [];
    }

    /** @return float seconds from one to the next after the free ones: the other half of those in an hour */
    private static function apart(int $anHour): float
    {
        return self::HOUR_SECONDS / ($anHour - intdiv($anHour, 2));
    }
}
