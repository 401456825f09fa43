<?php

declare(strict_types=1);

namespace App\Exchange\Outbound;

/** Where a host is, as this machine's name servers say. */
class NameServer
{
    /**
     * @return string|null an address of four numbers, or of six where it has no other; null for who is not known now
     */
    public function addressOf(string $host): ?string
    {
        $found = gethostbyname($host);

        return filter_var($found, FILTER_VALIDATE_IP) === false
            ? (@dns_get_record($host, DNS_AAAA) ?: [])[0]['ipv6'] ?? null
            : $found;
    }
}
