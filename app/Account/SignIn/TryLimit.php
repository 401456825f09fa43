<?php

declare(strict_types=1);

namespace App\Account\SignIn;

use Illuminate\Support\Facades\RateLimiter;

/** How often somebody may try to sign in with one name, and how often from one address, in a quarter of an hour. */
final readonly class TryLimit
{
    private const WINDOW_SECONDS = 900;

    /** @var array<string, int> tries by key, that of the name first */
    private array $limits;

    public function __construct(string $name, string $address)
    {
        $this->limits = [
            'sign-in:name:' . sha1($name) => (int) config('figporch.sign_in_tries.name'),
            "sign-in:address:{$address}" => (int) config('figporch.sign_in_tries.address'),
        ];
    }

    /** @return int|null seconds to wait, where there were too many */
    public function wait(): ?int
    {
        foreach ($this->limits as $key => $tries) {
            if (RateLimiter::tooManyAttempts($key, $tries)) {
                return RateLimiter::availableIn($key);
            }
        }

        return null;
    }

    public function failed(): void
    {
        foreach (array_keys($this->limits) as $key) {
            RateLimiter::hit($key, self::WINDOW_SECONDS);
        }
    }

    public function succeeded(): void
    {
        RateLimiter::clear((string) array_key_first($this->limits));
    }
}
