<?php

declare(strict_types=1);

namespace FigPorch\Tests\Core\Exchange;

use DateTimeImmutable;
use FigPorch\Core\Exchange\Lcp\CanonicalJson;
use FigPorch\Core\Exchange\Lcp\ContentCipher;
use FigPorch\Core\Exchange\Lcp\EpubEncryption;
use FigPorch\Core\Exchange\Lcp\LicenceDocument;
use FigPorch\Core\Exchange\Lcp\LicenceStatus;
use FigPorch\Core\Exchange\Lcp\Passphrase;
use FigPorch\Core\Exchange\Lcp\Signer;
use FigPorch\Core\Exchange\Push\P256;
use InvalidArgumentException;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use RuntimeException;
use Symfony\Component\Process\Process;

/** Licence documents and what they encrypt, against the openssl command. */
final class LcpTest extends TestCase
{
    public function test_a_document_is_signed_in_one_form_whatever_order_it_was_written_in(): void
    {
        // LCP 1.0, 5.3 (from memory): properties by code point, lists as they are, nothing escaped without need.
        self::assertSame(
            '{"A":[3,1,{"b":true,"é":null}],"a":"/ü\\"\\\\' . "\u{2028}" . '","é":1,"𐀀":2}',
            CanonicalJson::of(['𐀀' => 2, 'é' => 1, 'a' => "/ü\"\\\u{2028}", 'A' => [3, 1, ['é' => null, 'b' => true]]]),
        );
    }

    /** @return iterable<int, array{int, bool}> */
    public static function lengths(): iterable
    {
        $chunk = 1 << 20;
        foreach ([0, 1, 15, 16, 17, 31, 32, $chunk - 1, $chunk, $chunk + 1, 3 * $chunk + 5] as $length) {
            yield [$length, false];
            yield [$length, true];
        }
    }

    #[DataProvider('lengths')]
    public function test_a_file_comes_out_as_it_went_in(int $length, bool $deflate): void
    {
        $random = new Randomizer(new Mt19937(7 + $length));
        // Half of it can be packed, half cannot.
        $plain =
            $length === 0
                ? ''
                : substr($random->getBytes(max(1, intdiv($length, 2))) . str_repeat('tide ', $length), 0, $length);
        $from = tempnam(sys_get_temp_dir(), 'plain');
        file_put_contents($from, $plain);
        $key = $random->getBytes(32);
        $told = 0;
        $read = (new ContentCipher($key))->file($from, $to = "{$from}.enc", $deflate, function (int $bytes) use (
            &$told,
        ): void {
            $told += $bytes;
        });
        self::assertSame([$length, $length], [$read, $told]);
        $encrypted = (string) file_get_contents($to);
        $opened = self::decrypted($encrypted, $key);
        self::assertSame($plain, $deflate ? gzinflate($opened) : $opened);
        $deflate || self::assertSame(16 + 16 * (intdiv($length, 16) + 1), strlen($encrypted));
        unlink($from);
        unlink($to);
    }

    public function test_the_same_is_never_encrypted_the_same_and_a_key_has_its_length(): void
    {
        $cipher = new ContentCipher(str_repeat('k', 32));
        self::assertNotSame($cipher->encrypt('text'), $cipher->encrypt('text'));
        self::assertSame('text', self::decrypted($cipher->encrypt('text'), str_repeat('k', 32)));
        $this->expectException(InvalidArgumentException::class);
        new ContentCipher('short');
    }

    public function test_what_cannot_be_written_is_said(): void
    {
        $from = tempnam(sys_get_temp_dir(), 'plain');
        $this->expectException(RuntimeException::class);
        (new ContentCipher(str_repeat('k', 32)))->file($from, $from, false, fn() => null);
    }

    public function test_the_user_key_is_the_hash_of_the_words_as_they_are_typed(): void
    {
        // FIPS 180-4, the example "abc".
        self::assertSame(
            'ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad',
            Passphrase::userKey('abc'),
        );
        self::assertTrue(Passphrase::isTold('Äpfel im Herbst', 'es sind äpfel im herbst, ja'));
        self::assertFalse(Passphrase::isTold('Äpfel im Herbst', 'Obst, Jahreszeit'));
    }

    public function test_signatures_have_64_bytes_and_are_right_however_long_their_numbers_are(): void
    {
        [$certificate, $key] = self::certified();
        $signer = new Signer($certificate, $key);
        $details = openssl_pkey_get_details(openssl_pkey_get_private($key) ?: self::fail('no key'));
        $point = is_array($details) ? (string) $details['key'] : self::fail('no key');
        // One in 256 numbers begins with a zero byte, half need one before them.
        $lengths = [];
        for ($n = 0; $n < 600; $n++) {
            $document = ['id' => "licence {$n}", 'signature' => 'of before'];
            $value = base64_decode($signer->sign($document)['value'], true);
            self::assertIsString($value);
            self::assertSame(64, strlen($value));
            $lengths[] = min(strlen(ltrim(substr($value, 0, 32), "\0")), strlen(ltrim(substr($value, 32), "\0")));
            self::assertSame(
                1,
                openssl_verify("{\"id\":\"licence {$n}\"}", self::der($value), $point, OPENSSL_ALGO_SHA256),
            );
        }
        self::assertLessThan(32, min($lengths), 'a number that begins with a zero byte was among them');
    }

    public function test_only_a_key_on_the_curve_that_is_the_certificates_signs(): void
    {
        [$certificate, $key] = self::certified();
        openssl_pkey_export(P256::newKey(), $other);
        foreach ([[$certificate, $other], [$certificate, 'no key'], ['no certificate', $key]] as [$of, $by]) {
            try {
                new Signer($of, $by);
                self::fail('It would sign.');
            } catch (InvalidArgumentException $refused) {
                self::assertStringContainsString('key', $refused->getMessage());
            }
        }
    }

    /** @return iterable<string, array{bool, bool, int, LicenceStatus}> */
    public static function standings(): iterable
    {
        yield 'not opened yet' => [true, false, 0, LicenceStatus::Ready];
        yield 'opened' => [true, false, 1, LicenceStatus::Active];
        yield 'given back' => [false, true, 2, LicenceStatus::Returned];
        yield 'given back unopened' => [false, true, 0, LicenceStatus::Cancelled];
        yield 'run out' => [false, false, 3, LicenceStatus::Expired];
        yield 'run out unopened' => [false, false, 0, LicenceStatus::Expired];
    }

    #[DataProvider('standings')]
    public function test_a_licence_stands_as_its_loan_does(
        bool $open,
        bool $returned,
        int $devices,
        LicenceStatus $is,
    ): void {
        self::assertSame($is, LicenceStatus::of($open, $returned, $devices));
        self::assertSame(!$open, $is->isOver());
    }

    public function test_what_is_printed_and_copied_is_together_what_the_licence_allows(): void
    {
        $rights = fn(?int $pages): array => array_diff_key(self::licence($pages)['rights'], ['start' => 0, 'end' => 0]);
        self::assertSame([], $rights(null));
        self::assertSame(['print' => 0, 'copy' => 0], $rights(0));
        self::assertSame(['print' => 11, 'copy' => 10 * 1024], $rights(21));
    }

    public function test_a_moment_is_that_of_utc(): void
    {
        self::assertSame(
            '2026-11-30T07:00:00Z',
            LicenceDocument::moment(new DateTimeImmutable('2026-11-30 08:00 +01:00')),
        );
        self::assertSame('2026-11-30T07:00:00Z', self::licence(null)['issued']);
    }

    public function test_every_package_is_left_in_the_clear_with_its_way_about_and_its_cover(): void
    {
        $item = fn(
            string $id,
            string $href,
            string $type,
            string $more = '',
        ): string => "<item id=\"{$id}\" href=\"{$href}\" media-type=\"{$type}\" {$more}/>";
        $package = fn(
            string $items,
            string $meta = '',
        ): string => "<package xmlns=\"http://www.idpf.org/2007/opf\"><metadata>{$meta}</metadata><manifest>{$items}</manifest></package>";
        $files = [
            'mimetype' => '',
            'META-INF/container.xml' =>
                '<container xmlns="urn:oasis:names:tc:opendocument:xmlns:container"><rootfiles><rootfile full-path="a/one.opf"/><rootfile full-path="b/two.opf"/></rootfiles></container>',
            'META-INF/signatures.xml' => '',
            'a/one.opf' => $package(
                $item('n', 'nav.xhtml', 'application/xhtml+xml', 'properties="scripted nav"') .
                    $item('c', 'c.jpg', 'image/jpeg', 'properties="cover-image"') .
                    $item('x', '../shared/text.xhtml', 'application/xhtml+xml'),
            ),
            'b/two.opf' => $package(
                $item('t', 'toc.ncx', 'application/x-dtbncx+xml') .
                    $item('k', 'k.png', 'image/png') .
                    $item('z', 'http://elsewhere.example/x.mp3', 'audio/mpeg'),
                '<meta name="cover" content="k"/>',
            ),
            'a/nav.xhtml' => '',
            'a/c.jpg' => '',
            'b/toc.ncx' => '',
            'b/k.png' => '',
            'shared/text.xhtml' => '',
            'named-nowhere.bin' => '',
            '0' => '',
        ];
        self::assertSame(
            ['shared/text.xhtml', 'named-nowhere.bin', '0'],
            EpubEncryption::paths(
                array_map(strval(...), array_keys($files)),
                fn(string $path): string => $files[$path],
            ),
        );
    }

    /** @return array{issued: string, rights: array<string, mixed>} */
    private static function licence(?int $pages): array
    {
        $at = new DateTimeImmutable('2026-11-30 08:00 +01:00');
        $document = new LicenceDocument(
            id: '5a1c8c4e-0000-4000-8000-000000000000',
            provider: 'https://library.example',
            issued: $at,
            updated: $at,
            starts: $at,
            ends: $at->modify('+14 days'),
            contentKey: str_repeat('c', 32),
            userKey: Passphrase::userKey('words'),
            hint: 'a hint',
            links: [],
            pages: $pages,
        );
        /** @var array{issued: string, rights: array<string, mixed>} $signed */
        $signed = $document->signed(new Signer(...self::certified()));

        return $signed;
    }

    /** @return array{string, string} certificate and key, PEM */
    private static function certified(): array
    {
        $key = P256::newKey();
        $request = openssl_csr_new(['commonName' => 'a library'], $key, ['digest_alg' => 'sha256']);
        $certificate =
            $request === false || $request === true
                ? false
                : openssl_csr_sign($request, null, $key, 1, ['digest_alg' => 'sha256']);
        $certificate === false && self::fail('no certificate');
        openssl_x509_export($certificate, $pem);
        openssl_pkey_export($key, $private);

        return [$pem, $private];
    }

    private static function decrypted(string $encrypted, string $key): string
    {
        $openssl = new Process(
            ['openssl', 'enc', '-d', '-aes-256-cbc', '-K', bin2hex($key), '-iv', bin2hex(substr($encrypted, 0, 16))],
            input: substr($encrypted, 16),
        );

        return $openssl->mustRun()->getOutput();
    }

    /** ECDSA-Sig-Value (RFC 3279, 2.2.3) of two numbers of 32 bytes. */
    private static function der(string $both): string
    {
        $numbers = array_map(function (string $number): string {
            $number = ltrim($number, "\0");
            $number = ord($number[0]) > 127 ? "\0{$number}" : $number;

            return "\x02" . chr(strlen($number)) . $number;
        }, str_split($both, 32));

        return "\x30" . chr(strlen(implode('', $numbers))) . implode('', $numbers);
    }
}
