<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Push;

/**
 * Where a browser's push service takes messages for it (RFC 8030, 5). The address comes from the browser, so it may be
 * anything: only the open Web, encrypted, at its usual port is written to, or the stand-in.
 */
final readonly class Endpoint
{
    private const LONGEST = 1000;

    private function __construct(public string $address, public string $host, public bool $isStandIn) {}

    /** @param  string|null  $standIn  address that the stand-in's endpoints begin with */
    public static function parse(string $address, ?string $standIn = null): ?self
    {
        if (strlen($address) > self::LONGEST || preg_match('/[^\x21-\x7e]/', $address) === 1) {
            return null;
        }
        $parts = parse_url($address);
        $host = strtolower($parts['host'] ?? '');
        if ($standIn !== null && $standIn !== '' && str_starts_with($address, rtrim($standIn, '/') . '/')) {
            return new self($address, $host, true);
        }
        $isName = preg_match('/^(?=.{4,253}$)([a-z0-9]([a-z0-9-]{0,61}[a-z0-9])?\.)+[a-z]{2,63}$/', $host) === 1;

        return $isName &&
            ($parts['scheme'] ?? '') === 'https' &&
            ($parts['port'] ?? 443) === 443 &&
            !isset($parts['user']) &&
            !isset($parts['fragment'])
            ? new self($address, $host, false)
            : null;
    }

    /** For whom a token is good (RFC 8292, 2): the origin. */
    public function origin(): string
    {
        $parts = parse_url($this->address);

        return ($parts['scheme'] ?? 'https') .
            "://{$this->host}" .
            (isset($parts['port']) && $parts['port'] !== 443 ? ":{$parts['port']}" : '');
    }
}
