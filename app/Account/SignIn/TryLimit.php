<?php

declare(strict_types=1);

namespace App\Account\SignIn;

use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\RateLimiter;

/**
 * How often somebody may try to sign in. A few tries are free; after that they are slowed down, not locked out. What
 * others try elsewhere does not keep the owner of a card out, where they have signed in before; and where many sign in,
 * as in a school, one who succeeds clears the address for all.
 */
final readonly class TryLimit
{
    private const WINDOW_SECONDS = 900;

    /** One try in so many seconds, when the free ones are used up. */
    private const SLOW_SECONDS = ['pair' => 180, 'name' => 60, 'address' => 5];

    private const KNOWN_DAYS = 90;

    private string $name;

    private string $pair;

    public function __construct(string $name, private string $address)
    {
        $this->name = sha1($name);
        $this->pair = sha1("{$name}\n{$address}");
    }

    /**
     * Counts a try before it is looked at: of forty at the same moment each is one.
     *
     * @return int|null seconds to wait, where it is one too many: it is not looked at then
     */
    public function begin(): ?int
    {
        $limits = ['pair' => $this->pair, 'address' => $this->address];
        if (!Cache::has("sign-in:known:{$this->pair}")) {
            $limits['name'] = $this->name;
        }
        $waits = [];
        foreach ($limits as $kind => $of) {
            $waits[] = $this->count($kind, "sign-in:{$kind}:{$of}");
        }

        return max($waits);
    }

    /** @return int how many wrong tries there were for the name in a while, from wherever */
    public function failed(): int
    {
        return RateLimiter::hit("sign-in:wrong:{$this->name}", self::WINDOW_SECONDS);
    }

    public function succeeded(): void
    {
        foreach (['pair' => $this->pair, 'name' => $this->name, 'address' => $this->address] as $kind => $of) {
            RateLimiter::clear("sign-in:{$kind}:{$of}");
            RateLimiter::clear("sign-in:{$kind}:{$of}:slow");
        }
        Cache::put("sign-in:known:{$this->pair}", true, now()->addDays(self::KNOWN_DAYS));
    }

    /** @return int|null seconds to wait */
    private function count(string $kind, string $key): ?int
    {
        $free = (int) config("figporch.sign_in_tries.{$kind}");
        $tries = RateLimiter::hit($key, self::WINDOW_SECONDS);
        if ($tries < $free) {
            return null;
        }
        $slow = RateLimiter::hit("{$key}:slow", self::SLOW_SECONDS[$kind]);

        // The last free one begins the waiting.
        return $tries === $free || $slow === 1 ? null : max(1, RateLimiter::availableIn("{$key}:slow"));
    }
}
