<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading;

use ZipArchive;

/**
 * The files of a package — an EPUB container (EPUB 3.3 §4, OCF) or a W3C publication (LPF) — opened with
 * suspicion: nothing is unpacked before the whole directory has been found harmless, and no file is read past the size
 * the directory gave.
 */
final class Archive
{
    private const MOST_FILES = 20_000;

    private const MOST_BYTES = 4_000_000_000;

    /** A compressed megabyte that becomes more than this many is a bomb, not a book; all files together become less. */
    private const MOST_EXPANSION = 200;

    private const MOST_EXPANSION_OF_ALL = 100;

    private const ALWAYS_ALLOWED_BYTES = 50_000_000;

    private const DEEPEST = 40;

    /** What file systems take (NAME_MAX of Linux). */
    private const LONGEST_NAME = 255;

    /** @var array<string, int> path => size in bytes */
    private array $sizes = [];

    private readonly ZipArchive $zip;

    /** @throws UnreadablePublication */
    public function __construct(string $file)
    {
        $this->zip = new ZipArchive();
        if (@$this->zip->open($file, ZipArchive::RDONLY) !== true) {
            throw new UnreadablePublication(Reason::NotAnArchive);
        }
        if ($this->zip->numFiles > self::MOST_FILES) {
            throw new UnreadablePublication(Reason::TooLarge, $this->zip->numFiles . ' files');
        }
        $total = 0;
        $most = min(
            self::MOST_BYTES,
            max(self::ALWAYS_ALLOWED_BYTES, self::MOST_EXPANSION_OF_ALL * (int) filesize($file)),
        );
        for ($i = 0; $i < $this->zip->numFiles; $i++) {
            $total += $this->inspect($i);
            if ($total > $most) {
                throw new UnreadablePublication(Reason::TooLarge, 'unpacked');
            }
        }
        $this->refuseFilesInTheWay();
    }

    public function has(string $path): bool
    {
        return isset($this->sizes[$path]);
    }

    /** Bytes; 0 for a file that is not there. */
    public function size(string $path): int
    {
        return $this->sizes[$path] ?? 0;
    }

    /** @return list<string> */
    public function paths(): array
    {
        return array_map(strval(...), array_keys($this->sizes));
    }

    /** @throws UnreadablePublication when the file is missing, damaged or larger than announced */
    public function read(string $path): string
    {
        $stream = $this->has($path) ? $this->zip->getStream($path) : false;
        $bytes = $stream === false ? false : @stream_get_contents($stream, $this->sizes[$path] + 1);
        if ($bytes === false) {
            throw new UnreadablePublication(Reason::MissingFile, $path);
        }
        if (strlen($bytes) !== $this->sizes[$path]) {
            throw new UnreadablePublication(Reason::NotAnArchive, $path);
        }

        return $bytes;
    }

    /**
     * Writes a file out without holding it in memory.
     *
     * @throws UnreadablePublication when the file is missing, damaged or larger than announced
     */
    public function copy(string $path, string $to): void
    {
        $stream = $this->has($path) ? $this->zip->getStream($path) : false;
        $target = $stream === false ? false : fopen($to, 'wb');
        if ($stream === false || $target === false) {
            throw new UnreadablePublication(Reason::MissingFile, $path);
        }
        if (
            // Sums that do not agree are warned of as it is read.
            @stream_copy_to_stream($stream, $target, $this->sizes[$path] + 1) !== $this->sizes[$path] ||
            !fclose($target)
        ) {
            throw new UnreadablePublication(Reason::NotAnArchive, $path);
        }
    }

    /** @return int the size of the entry in bytes */
    private function inspect(int $index): int
    {
        $entry = $this->zip->statIndex($index);
        if ($entry === false) {
            throw new UnreadablePublication(Reason::NotAnArchive);
        }
        $path = $entry['name'];
        if (!self::isInside($path) || $this->isLink($index)) {
            throw new UnreadablePublication(Reason::EscapingPath, mb_strimwidth($path, 0, 80, '…'));
        }
        if (!self::canBeStored($path)) {
            throw new UnreadablePublication(Reason::BadName, mb_strimwidth(mb_scrub($path), 0, 80, '…'));
        }
        if ($entry['encryption_method'] !== ZipArchive::EM_NONE) {
            throw new UnreadablePublication(Reason::Encrypted, $path);
        }
        if ($entry['size'] > 1_000_000 && $entry['size'] > self::MOST_EXPANSION * max(1, $entry['comp_size'])) {
            throw new UnreadablePublication(Reason::TooLarge, $path);
        }
        if (!str_ends_with($path, '/')) {
            $this->sizes[$path] = $entry['size'];
        }

        return $entry['size'];
    }

    private static function isInside(string $path): bool
    {
        return $path !== '' &&
            !str_starts_with($path, '/') &&
            preg_match('/[\\\\\x00-\x1f]|^[a-z]:/i', $path) !== 1 &&
            array_intersect(explode('/', $path), ['..', '.']) === [];
    }

    private static function canBeStored(string $path): bool
    {
        $names = explode('/', rtrim($path, '/'));

        return mb_check_encoding($path, 'UTF-8') &&
            count($names) <= self::DEEPEST &&
            max(array_map(strlen(...), $names)) <= self::LONGEST_NAME;
    }

    /** "a" beside "a/b": one of them could not be unpacked. */
    private function refuseFilesInTheWay(): void
    {
        foreach ($this->paths() as $path) {
            for ($folder = dirname($path); $folder !== '.'; $folder = dirname($folder)) {
                if (isset($this->sizes[$folder])) {
                    throw new UnreadablePublication(Reason::BadName, mb_strimwidth($folder, 0, 80, '…'));
                }
            }
        }
    }

    /** A symbolic link, by the Unix mode in the entry's external attributes. */
    private function isLink(int $index): bool
    {
        $this->zip->getExternalAttributesIndex($index, $system, $attributes);

        return $system === ZipArchive::OPSYS_UNIX &&
            is_int($attributes) &&
            (($attributes >> 16) & 0o170000) === 0o120000;
    }
}
