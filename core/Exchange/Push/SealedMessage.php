<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Push;

use InvalidArgumentException;
use OpenSSLAsymmetricKey;
use RuntimeException;

/**
 * A message that only one browser can open, and the service that carries it cannot (RFC 8291, in the coding of RFC
 * 8188).
 */
final class SealedMessage
{
    /** Bytes that every push service has to take (RFC 8291, 4), less what sealing adds. */
    public const MOST = 4096 - self::HEAD - 17;

    private const SALT = 16;

    private const SECRET = 16;

    private const HEAD = self::SALT + 4 + 1 + 65;

    private const RECORD_SIZE = 4096;

    /**
     * @param  string  $browserKey  the browser's point, 65 bytes
     * @param  string  $secret  the browser's secret, 16 bytes
     * @param  OpenSSLAsymmetricKey  $ownKey  made for this message alone
     * @param  string  $salt  16 random bytes
     * @return string the body to send, with Content-Encoding aes128gcm
     *
     * @throws InvalidArgumentException if a key, secret or salt is not what it should be, or the text is too long
     */
    public static function seal(
        string $text,
        string $browserKey,
        string $secret,
        OpenSSLAsymmetricKey $ownKey,
        string $salt,
    ): string {
        if (strlen($secret) !== self::SECRET || strlen($salt) !== self::SALT || strlen($text) > self::MOST) {
            throw new InvalidArgumentException(
                'A secret and a salt of 16 bytes, and a text of at most ' . self::MOST . ', are needed.',
            );
        }
        $shared = openssl_pkey_derive(P256::publicKey($browserKey), $ownKey, 32);
        if ($shared === false) {
            throw new RuntimeException('OpenSSL derived no shared secret: ' . openssl_error_string());
        }
        $point = P256::point($ownKey);
        // RFC 8291, 3.4
        $input = hash_hkdf('sha256', $shared, 32, "WebPush: info\0{$browserKey}{$point}", $secret);
        // RFC 8188, 2.2 and 2.3; the only record is the last, so its delimiter is 2.
        $key = hash_hkdf('sha256', $input, 16, "Content-Encoding: aes128gcm\0", $salt);
        $nonce = hash_hkdf('sha256', $input, 12, "Content-Encoding: nonce\0", $salt);
        $sealed = openssl_encrypt("{$text}\x02", 'aes-128-gcm', $key, OPENSSL_RAW_DATA, $nonce, $tag);

        return $salt . pack('NC', self::RECORD_SIZE, strlen($point)) . $point . $sealed . $tag;
    }
}
