<?php

declare(strict_types=1);

namespace App\Exchange\Outbound;

/** The address that a name was found to have is the one that is asked, and no other that it may have a moment later. */
final class BoundHost
{
    /**
     * @return array<string, mixed> options of a request: where the host is, and that nobody is followed elsewhere
     */
    public static function options(string $host, int $port, ?string $ip): array
    {
        return [
            'allow_redirects' => false,
            'curl' => match (true) {
                $ip === null => [],
                str_contains($ip, ':') => [CURLOPT_RESOLVE => ["{$host}:{$port}:[{$ip}]"]],
                default => [CURLOPT_RESOLVE => ["{$host}:{$port}:{$ip}"]],
            },
        ];
    }
}
