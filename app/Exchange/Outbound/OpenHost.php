<?php

declare(strict_types=1);

namespace App\Exchange\Outbound;

use FigPorch\Core\Exchange\InternetAddress;

/**
 * Where a host is that a library's staff named: on the open Internet, or one of those of this network that whoever runs
 * the machine has named (INNER_HOSTS). Else a form at the Desk would reach whatever stands beside this machine.
 */
final class OpenHost
{
    public function __construct(private readonly NameServer $nameServer) {}

    /**
     * @return string an address of four or six numbers
     *
     * @throws ClosedHost
     */
    public function addressOf(string $host, int $port): string
    {
        $inner = array_filter(array_map(trim(...), explode(',', (string) config('figporch.inner_hosts'))));
        $isNumber = filter_var(trim($host, '[]'), FILTER_VALIDATE_IP) !== false;
        $ip = $isNumber ? trim($host, '[]') : $this->nameServer->addressOf($host);
        if ($ip === null) {
            throw new ClosedHost("{$host} is not known to the name servers at the moment.", isInside: false);
        }

        return InternetAddress::isPublic($ip) || in_array("{$host}:{$port}", $inner, true)
            ? $ip
            : throw new ClosedHost("{$host} is inside this network, and not among INNER_HOSTS.", isInside: true);
    }
}
