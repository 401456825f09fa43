<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading\Dictionary;

use RuntimeException;

/**
 * A dictionary in the format of the DICT protocol's servers: NAME.index with a headword, an offset and a length on each
 * line (dictfmt(1)), NAME.dict.dz with the text, which can be read from the middle (dictzip(1)).
 */
final readonly class DictdFile
{
    /** The digits of offsets and lengths, which are numbers to the base of 64. */
    private const DIGITS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+/';

    /** @param  string  $path  without .index and .dict.dz */
    public function __construct(private string $path) {}

    public function isThere(): bool
    {
        return is_readable("{$this->path}.index") && is_readable("{$this->path}.dict.dz");
    }

    /**
     * @return list<string> the entries of a word, whatever its case
     *
     * @throws RuntimeException where the files are not what they should be
     */
    public function entries(string $word): array
    {
        preg_match_all(
            '/^' . preg_quote($word, '/') . '\t([A-Za-z0-9+\/]+)\t([A-Za-z0-9+\/]+)$/miu',
            (string) file_get_contents("{$this->path}.index"),
            $m,
            PREG_SET_ORDER,
        );

        return array_values(
            array_unique(
                array_map(fn(array $line): string => $this->read(self::number($line[1]), self::number($line[2])), $m),
            ),
        );
    }

    private static function number(string $digits): int
    {
        return array_reduce(
            str_split($digits),
            fn(int $number, string $digit): int => $number * 64 + (int) strpos(self::DIGITS, $digit),
            0,
        );
    }

    /**
     * Some bytes of the text: a gzip file (RFC 1952) in chunks, each compressed by itself, with their sizes in the
     * extra field "RA".
     */
    private function read(int $offset, int $length): string
    {
        $file =
            fopen("{$this->path}.dict.dz", 'rb') ?:
            throw new RuntimeException("{$this->path}.dict.dz cannot be opened.");
        /** @var array{magic: int, method: int, flags: int, time: int, xfl: int, os: int, extra: int}|false $header */
        $header = unpack('nmagic/Cmethod/Cflags/Vtime/Cxfl/Cos/vextra', (string) fread($file, 12));
        if ($header === false || $header['magic'] !== 0x1f8b || ($header['flags'] & 4) === 0 || $header['extra'] < 10) {
            throw new RuntimeException("{$this->path}.dict.dz was not made by dictzip.");
        }
        $extra = (string) fread($file, $header['extra']);
        /** @var array{name: string, length: int, version: int, size: int, count: int}|false $facts */
        $facts = unpack('a2name/vlength/vversion/vsize/vcount', $extra);
        if ($facts === false || $facts['name'] !== 'RA' || $facts['size'] < 1) {
            throw new RuntimeException("{$this->path}.dict.dz was not made by dictzip.");
        }
        /** @var list<int> $sizes */
        $sizes = array_values((array) unpack("v{$facts['count']}", substr($extra, 10)));
        // The file's name and a comment end with a zero byte; the sum of the header takes two.
        foreach ([8, 16] as $flag) {
            while (($header['flags'] & $flag) !== 0 && !in_array(fgetc($file), ["\0", false], true));
        }
        $start = (int) ftell($file) + (($header['flags'] & 2) !== 0 ? 2 : 0);
        $first = intdiv($offset, $facts['size']);
        $text = '';
        fseek($file, $start + (int) array_sum(array_slice($sizes, 0, $first)));
        for ($n = $first; $n * $facts['size'] < $offset + $length && isset($sizes[$n]); $n++) {
            $inflate = inflate_init(ZLIB_ENCODING_RAW) ?: throw new RuntimeException('zlib is missing.');
            $text .= inflate_add($inflate, (string) fread($file, max(1, $sizes[$n])), ZLIB_SYNC_FLUSH);
        }
        fclose($file);

        return substr($text, $offset - $first * $facts['size'], $length);
    }
}
