<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange;

final class InternetAddress
{
    /** Whether a number belongs to the open Internet: not to this machine, this network, or no one. */
    public static function isPublic(string $ip): bool
    {
        return filter_var($ip, FILTER_VALIDATE_IP, FILTER_FLAG_NO_PRIV_RANGE | FILTER_FLAG_NO_RES_RANGE) !== false &&
            preg_match(
                '/^(100\.(6[4-9]|[7-9]\d|1[01]\d|12[0-7])\.|(22[4-9]|23\d)\.|::ffff:|64:ff9b:|2002:|fe[89ab]|f[cd])/i',
                $ip,
            ) !== 1;
    }
}
