<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Push;

/** base64url without padding (RFC 4648, 5). */
final class Base64Url
{
    public static function encode(string $bytes): string
    {
        return rtrim(strtr(base64_encode($bytes), '+/', '-_'), '=');
    }

    /** Null if it is none. */
    public static function decode(string $text): ?string
    {
        $bytes =
            preg_match('/^[A-Za-z0-9_-]*={0,2}$/', $text) === 1
                ? base64_decode(strtr(rtrim($text, '='), '-_', '+/'), true)
                : false;

        return $bytes === false ? null : $bytes;
    }
}
