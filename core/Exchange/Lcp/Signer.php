<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Lcp;

use InvalidArgumentException;
use OpenSSLAsymmetricKey;
use RuntimeException;

/** Signs licence documents with a provider's certificate (LCP 1.0, 5.4), by ECDSA on P-256 with SHA-256. */
final class Signer
{
    public const ALGORITHM = 'http://www.w3.org/2001/04/xmldsig-more#ecdsa-sha256';

    /** Bytes of a coordinate of the curve. */
    private const NUMBER = 32;

    private readonly OpenSSLAsymmetricKey $key;

    /**
     * @param  string  $certificate  PEM
     * @param  string  $privateKey  PEM
     *
     * @throws InvalidArgumentException where they are none, or not of each other
     */
    public function __construct(private readonly string $certificate, #[\SensitiveParameter] string $privateKey)
    {
        $this->key =
            openssl_pkey_get_private($privateKey) ?: throw new InvalidArgumentException('This is no private key.');
        if (!openssl_x509_check_private_key($certificate, $this->key)) {
            throw new InvalidArgumentException('The certificate is not of this private key.');
        }
        $curve = openssl_pkey_get_details($this->key)['ec'] ?? null;
        if (!is_array($curve) || ($curve['curve_name'] ?? '') !== 'prime256v1') {
            throw new InvalidArgumentException('Licence documents are signed with a key on the curve P-256.');
        }
    }

    /**
     * @param  array<string, mixed>  $document
     * @return array{algorithm: string, certificate: string, value: string}
     */
    public function sign(array $document): array
    {
        unset($document['signature']);
        $isSigned = openssl_sign(CanonicalJson::of($document), $der, $this->key, OPENSSL_ALGO_SHA256);
        if (!$isSigned || !is_string($der)) {
            throw new RuntimeException('OpenSSL: ' . openssl_error_string());
        }

        return [
            'algorithm' => self::ALGORITHM,
            'certificate' => preg_replace('/-----[A-Z ]+-----|\s+/', '', $this->certificate) ?? '',
            'value' => base64_encode(self::bothNumbers($der)),
        ];
    }

    /** As XML Signature writes it (XML Signature 1.1, 6.4.3): r and s, 32 bytes each; OpenSSL gives them as DER. */
    private static function bothNumbers(string $der): string
    {
        // SEQUENCE, its length; twice INTEGER, its length, its bytes with a zero before where the first bit is set.
        $at = 2;
        $both = '';
        for ($n = 0; $n < 2; $n++) {
            $length = ord($der[$at + 1]);
            $number = ltrim(substr($der, $at + 2, $length), "\0");
            $both .= str_pad($number, self::NUMBER, "\0", STR_PAD_LEFT);
            $at += 2 + $length;
        }

        return $both;
    }
}
