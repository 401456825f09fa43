<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Lcp;

use InvalidArgumentException;
use RuntimeException;

/**
 * AES-256 in CBC as XML Encryption writes it (XML Encryption 1.1, 5.2): 16 random bytes to begin with, then the blocks,
 * the last filled up with as many bytes of that number as it lacks.
 */
final class ContentCipher
{
    public const ALGORITHM = 'http://www.w3.org/2001/04/xmlenc#aes256-cbc';

    public const KEY_BYTES = 32;

    private const CIPHER = 'aes-256-cbc';

    private const BLOCK = 16;

    /** Read at a time. */
    private const CHUNK = 1 << 20;

    public function __construct(#[\SensitiveParameter] private readonly string $key)
    {
        if (strlen($key) !== self::KEY_BYTES) {
            throw new InvalidArgumentException('A key of AES-256 has 32 bytes, this one ' . strlen($key) . '.');
        }
    }

    public function encrypt(#[\SensitiveParameter] string $plain): string
    {
        $iv = random_bytes(self::BLOCK);

        return $iv . $this->blocks($plain, $iv, OPENSSL_RAW_DATA);
    }

    /**
     * A file of any size, in the memory of a few chunks.
     *
     * @param  bool  $deflate  packed first (RFC 1951), as texts are
     * @param  callable(int): void  $told  is called with the bytes that were read since
     * @return int bytes that were read
     *
     * @throws RuntimeException where a file cannot be read or written
     */
    public function file(string $from, string $to, bool $deflate, callable $told): int
    {
        $in = @fopen($from, 'rb') ?: throw new RuntimeException("Cannot read {$from}.");
        $out = @fopen($to, 'xb') ?: throw new RuntimeException("Cannot write {$to}.");
        $packer = $deflate ? deflate_init(ZLIB_ENCODING_RAW) : false;
        $write = function (string $bytes) use ($out, $to): void {
            // A full disk takes less, and says so by the number.
            fwrite($out, $bytes) === strlen($bytes) ||
                throw new RuntimeException("Cannot write {$to}: is the disk full?");
        };
        try {
            $iv = random_bytes(self::BLOCK);
            $write($iv);
            [$read, $rest] = [0, ''];
            while (($chunk = fread($in, self::CHUNK)) !== false && $chunk !== '') {
                $read += strlen($chunk);
                $rest .= $packer === false ? $chunk : deflate_add($packer, $chunk, ZLIB_NO_FLUSH);
                $whole = strlen($rest) - (strlen($rest) % self::BLOCK);
                if ($whole > 0) {
                    $blocks = $this->blocks(substr($rest, 0, $whole), $iv, OPENSSL_RAW_DATA | OPENSSL_ZERO_PADDING);
                    $write($blocks);
                    [$iv, $rest] = [substr($blocks, -self::BLOCK), substr($rest, $whole)];
                }
                $told(strlen($chunk));
            }
            $rest .= $packer === false ? '' : deflate_add($packer, '', ZLIB_FINISH);
            $write($this->blocks($rest, $iv, OPENSSL_RAW_DATA));
        } finally {
            fclose($in);
            fclose($out);
        }

        return $read;
    }

    private function blocks(string $plain, string $iv, int $options): string
    {
        $blocks = openssl_encrypt($plain, self::CIPHER, $this->key, $options, $iv);

        return $blocks === false ? throw new RuntimeException('OpenSSL: ' . openssl_error_string()) : $blocks;
    }
}
