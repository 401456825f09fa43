<?php

declare(strict_types=1);

namespace App\Exchange\Outbound;

/** Where a host is, as this machine's name servers say. */
class NameServer
{
    /** @return string|null an IPv4 address; null for a name that is not known at the moment */
    public function addressOf(string $host): ?string
    {
        $found = gethostbyname($host);

        return filter_var($found, FILTER_VALIDATE_IP) === false ? null : $found;
    }
}
