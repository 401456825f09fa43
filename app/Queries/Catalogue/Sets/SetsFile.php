<?php

declare(strict_types=1);

namespace App\Queries\Catalogue\Sets;

use FFI;
use FigPorch\Core\Catalogue\Roaring;
use FigPorch\Core\Catalogue\TitleSet;
use Illuminate\Support\Facades\File;
use RuntimeException;

/** Sets in a file on this machine, read where they lie: all processes share the memory, and nothing is copied. The file never changes. */
final class SetsFile
{
    private const SETS = 'sets';

    private const INDEX = 'index.php';

    private const C = 'intptr_t mmap(void *at, size_t length, int protection, int flags, int file, long offset); int munmap(intptr_t at, size_t length); int open(const char *path, int flags); int close(int file);';

    private const READ = 1;

    private const SHARED = 1;

    private static ?object $c = null;

    /** @var array<string, self> the one that this process has open, by folder */
    private static array $open = [];

    /**
     * @param  int  $memory  its address
     * @param  array<string, string>  $index  by name, where a set begins, its length and how many titles it has, with spaces between
     * @param  array<string, array<int|string, int>>  $values  by kind and value, how many titles have it, the most first
     */
    private function __construct(private readonly int $memory, private readonly int $size, private readonly array $index, private readonly array $values)
    {
    }

    public function __destruct()
    {
        self::c()->munmap($this->memory, $this->size);
    }

    /** Null where there is none in the folder. */
    public static function in(string $folder): ?self
    {
        return self::$open[$folder] ?? self::map($folder);
    }

    private static function map(string $folder): ?self
    {
        if (! is_file("{$folder}/".self::INDEX)) {
            return null;
        }
        [$index, $values] = require "{$folder}/".self::INDEX;
        $size = (int) filesize("{$folder}/".self::SETS);
        $file = self::c()->open("{$folder}/".self::SETS, 0);
        $memory = self::c()->mmap(null, $size, self::READ, self::SHARED, $file, 0);
        self::c()->close($file);
        if ($memory === -1) {
            throw new RuntimeException("{$folder}/".self::SETS.' cannot be read. Remove the folder: it is made anew.');
        }

        $mapped = new self($memory, $size, $index, $values);
        self::$open = [$folder => $mapped];

        return $mapped;
    }

    /**
     * @param  iterable<string, TitleSet>  $sets  by name: a kind, a colon and a value
     * @param  list<string>  $listed  kinds of which values() is asked
     */
    public static function write(string $folder, iterable $sets, array $listed): void
    {
        $new = $folder.'.'.getmypid();
        File::ensureDirectoryExists($new);
        $file = fopen("{$new}/".self::SETS, 'wb') ?: throw new RuntimeException("{$new} cannot be written to.");
        [$at, $index, $values] = [0, [], array_fill_keys($listed, [])];
        foreach ($sets as $name => $set) {
            $bytes = $set->frozen();
            $index[$name] = "{$at} ".strlen($bytes)." {$set->count()}";
            $padded = str_pad($bytes, intdiv(strlen($bytes) + Roaring::ALIGNED - 1, Roaring::ALIGNED) * Roaring::ALIGNED, "\0");
            if (fwrite($file, $padded) !== strlen($padded)) {
                throw new RuntimeException("{$new} cannot be written to: is the disk full?");
            }
            $at += strlen($padded);
            [$kind, $value] = explode(':', $name, 2);
            if (isset($values[$kind])) {
                $values[$kind][$value] = $set->count();
            }
        }
        fclose($file);
        foreach (array_keys($values) as $kind) {
            arsort($values[$kind]);
        }
        file_put_contents("{$new}/".self::INDEX, '<?php return '.var_export([$index, $values], true).';');
        // Two may have made it at once: they are the same.
        @rename($new, $folder) || File::deleteDirectory($new);
    }

    public function has(string $name): bool
    {
        return isset($this->index[$name]);
    }

    public function set(string $name): ?TitleSet
    {
        if (! isset($this->index[$name])) {
            return null;
        }
        [$at, $length, $count] = explode(' ', $this->index[$name]);

        return TitleSet::inMemory($this->memory + (int) $at, (int) $length, (int) $count, $this);
    }

    /** How many titles a set has in common with another; none where there is no set of that name. */
    public function countWith(string $name, TitleSet $other): int
    {
        if (! isset($this->index[$name])) {
            return 0;
        }
        [$at, $length] = explode(' ', $this->index[$name]);

        return $other->countWithFrozen($this->memory + (int) $at, (int) $length);
    }

    /** @return array<int|string, int> how many titles have each value of a kind, the most first */
    public function values(string $kind): array
    {
        return $this->values[$kind];
    }

    /** @return list<string> the names that begin so */
    public function beginning(string $with): array
    {
        return array_values(array_filter(array_keys($this->index), fn (string $name): bool => str_starts_with($name, $with)));
    }

    /** @return MemoryFunctions */
    private static function c(): object
    {
        /** @phpstan-ignore return.type (an FFI has the functions that were declared) */
        return self::$c ??= FFI::cdef(self::C);
    }
}
