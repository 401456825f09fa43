<?php

declare(strict_types=1);

namespace App\Exchange\OpenId;

use DateTimeImmutable;

/** What a browser has begun at a school, kept in its session until it comes back. */
final readonly class BegunSignIn
{
    /** How long it may take there. */
    private const SECONDS = 900;

    /**
     * @param  string  $state  comes back as it was (RFC 6749, 10.12)
     * @param  string  $nonce  stands in the token (OpenID Connect Core 1.0, 3.1.2.1)
     * @param  string  $verifier  of RFC 7636
     * @param  string  $address  where the browser is sent
     */
    public function __construct(
        public string $state,
        public string $nonce,
        public string $verifier,
        public string $address,
        public int $libraryId,
        public bool $shared,
        public int $begunAt,
    ) {}

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return (array) $this;
    }

    /**
     * @param  mixed  $kept  in a session
     * @return self|null null where nothing was begun, or too long ago
     */
    public static function fromSession(mixed $kept, DateTimeImmutable $now): ?self
    {
        if (!is_array($kept)) {
            return null;
        }
        $begun = new self(...$kept);

        return $now->getTimestamp() - $begun->begunAt <= self::SECONDS ? $begun : null;
    }

    public function hasState(string $state): bool
    {
        return hash_equals($this->state, $state);
    }
}
