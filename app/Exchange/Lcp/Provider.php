<?php

declare(strict_types=1);

namespace App\Exchange\Lcp;

use FigPorch\Core\Exchange\Lcp\Signer;
use FigPorch\Core\Exchange\Push\P256;
use Illuminate\Contracts\Encryption\DecryptException;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;
use OpenSSLAsymmetricKey;
use OpenSSLCertificate;
use RuntimeException;
use stdClass;

/**
 * Who signs licence documents: a certificate of this installation's own, under a root of its own (LCP 1.0, 5.2). Made
 * when it is first needed; the provider's is made anew before it ends, the root stays.
 */
final class Provider
{
    private const ROOT_DAYS = 7300;

    private const DAYS = 800;

    /** A loan that begins before the certificate's end has to end before it. */
    private const RENEWED_DAYS_BEFORE = 400;

    public function signer(): Signer
    {
        $kept = $this->kept();

        return new Signer($kept->certificate, Crypt::decryptString($kept->private));
    }

    /** @return array{root: string, provider: string} certificates, PEM */
    public function certificates(): array
    {
        $kept = $this->kept();

        return ['root' => $kept->root_certificate, 'provider' => $kept->certificate];
    }

    private function kept(): stdClass
    {
        $kept = $this->read();
        if ($kept === null) {
            $root = P256::newKey();
            $certificate = $this->pem($this->certify($root, 'Fig Porch root', null, $root));
            DB::table('lcp_provider')->insertOrIgnore([
                'id' => 1,
                'root_certificate' => $certificate,
                'root_private' => $this->sealed($root),
                ...$this->providerUnder($root, $certificate),
            ]);
            // Another may have been quicker.
            $kept = $this->read() ?? throw new RuntimeException('The provider’s certificate was not kept.');
        }
        $ends = openssl_x509_parse($kept->certificate)['validTo_time_t'] ?? 0;
        if ($ends < time() + self::RENEWED_DAYS_BEFORE * 86400) {
            $root = openssl_pkey_get_private(Crypt::decryptString($kept->root_private));
            $root === false && throw new RuntimeException('The key of the root certificate is none.');
            DB::table('lcp_provider')
                ->where('certificate', $kept->certificate)
                ->update($this->providerUnder($root, $kept->root_certificate));
            $kept = $this->read() ?? $kept;
        }

        return $kept;
    }

    private function read(): ?stdClass
    {
        $kept = DB::table('lcp_provider')->first();
        try {
            if ($kept !== null) {
                Crypt::decryptString($kept->private);
            }

            return $kept;
        } catch (DecryptException) {
            // The application's own key is another now: what it kept sealed is lost, and the chain begins anew.
            DB::table('lcp_provider')->delete();

            return null;
        }
    }

    /** @return array{certificate: string, private: string} */
    private function providerUnder(OpenSSLAsymmetricKey $root, string $certificate): array
    {
        $key = P256::newKey();

        return [
            'certificate' => $this->pem($this->certify($key, (string) config('app.url'), $certificate, $root)),
            'private' => $this->sealed($key),
        ];
    }

    /** @param  string|null  $by  the certificate of who signs it, PEM; null where it signs itself */
    private function certify(
        OpenSSLAsymmetricKey $key,
        string $name,
        ?string $by,
        OpenSSLAsymmetricKey $signs,
    ): OpenSSLCertificate {
        $settings = [
            'config' => __DIR__ . '/certificates.cnf',
            'x509_extensions' => $by === null ? 'root' : 'provider',
            'digest_alg' => 'sha256',
        ];
        $request = openssl_csr_new(['commonName' => substr($name, 0, 64)], $key, $settings);
        $certificate =
            $request instanceof \OpenSSLCertificateSigningRequest
                ? openssl_csr_sign(
                    $request,
                    $by,
                    $signs,
                    $by === null ? self::ROOT_DAYS : self::DAYS,
                    $settings,
                    random_int(1, PHP_INT_MAX),
                )
                : false;

        return $certificate === false
            ? throw new RuntimeException('OpenSSL made no certificate: ' . openssl_error_string())
            : $certificate;
    }

    private function pem(OpenSSLCertificate $certificate): string
    {
        openssl_x509_export($certificate, $pem);

        return $pem;
    }

    private function sealed(OpenSSLAsymmetricKey $key): string
    {
        openssl_pkey_export($key, $pem);

        return Crypt::encryptString($pem);
    }
}
