<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Push;

use InvalidArgumentException;
use OpenSSLAsymmetricKey;
use RuntimeException;

/**
 * Keys on the curve P-256 as the Web Push standards write them: a point is 65 bytes, uncompressed, a private number 32
 * (SEC 1, 2.3).
 */
final class P256
{
    private const POINT = 65;

    /** SubjectPublicKeyInfo for id-ecPublicKey and prime256v1, up to the point (RFC 5480, 2). */
    private const PUBLIC = '3059301306072a8648ce3d020106082a8648ce3d030107034200';

    /** @throws InvalidArgumentException if it is no point of the curve */
    public static function publicKey(string $point): OpenSSLAsymmetricKey
    {
        $key =
            strlen($point) === self::POINT
                ? openssl_pkey_get_public(self::pem('PUBLIC KEY', hex2bin(self::PUBLIC) . $point))
                : false;

        return $key === false ? throw new InvalidArgumentException('This is no public key on P-256.') : $key;
    }

    /** ECPrivateKey (RFC 5915, 3) of a private number and its point. */
    public static function privateKey(string $number, string $point): OpenSSLAsymmetricKey
    {
        $key = openssl_pkey_get_private(
            self::pem(
                'EC PRIVATE KEY',
                hex2bin('30770201010420') . $number . hex2bin('a00a06082a8648ce3d030107a144034200') . $point,
            ),
        );

        return $key === false ? throw new InvalidArgumentException('This is no private key on P-256.') : $key;
    }

    public static function newKey(): OpenSSLAsymmetricKey
    {
        $key = openssl_pkey_new(['private_key_type' => OPENSSL_KEYTYPE_EC, 'curve_name' => 'prime256v1']);

        return $key === false ? throw new RuntimeException('OpenSSL made no key: ' . openssl_error_string()) : $key;
    }

    /** The point of a key, private or public. */
    public static function point(OpenSSLAsymmetricKey $key): string
    {
        $of = openssl_pkey_get_details($key)['ec'] ?? null;
        if (!is_array($of) || !is_string($of['x'] ?? null) || !is_string($of['y'] ?? null)) {
            throw new InvalidArgumentException('This is no key on a curve.');
        }

        return "\x04" . str_pad($of['x'], 32, "\0", STR_PAD_LEFT) . str_pad($of['y'], 32, "\0", STR_PAD_LEFT);
    }

    private static function pem(string $kind, string $der): string
    {
        return "-----BEGIN {$kind}-----\n" . chunk_split(base64_encode($der), 64, "\n") . "-----END {$kind}-----\n";
    }
}
