<?php

declare(strict_types=1);

namespace App\Catalogue\BitmapIndex;

use FFI;
use FFI\CData;
use LogicException;
use RuntimeException;

/**
 * A file of this machine read where it lies in memory: all processes share it, and nothing is copied. The file never
 * changes.
 */
final class MappedFile
{
    private const FUNCTIONS =
        'char *mmap(void *at, size_t length, int protection, int flags, int file, long ' .
        'offset); int munmap(char *at, size_t length); int open(const char *path, int flags); int close(int file);';

    /** Bytes of a number. */
    private const PLACE = 4;

    private const READ = 1;

    private const MAP_SHARED = 1;

    private static ?FFI $c = null;

    private function __construct(
        private readonly CData $memory,
        public readonly int $address,
        private readonly int $size,
    ) {}

    public function __destruct()
    {
        self::functions()->munmap($this->memory, $this->size);
    }

    /**
     * @param  int  $size  in bytes: of a file that is not so long nothing is read, for to read beyond its end would
     *     kill the process
     */
    public static function of(string $path, int $size): ?self
    {
        if ($size <= 0 || @filesize($path) !== $size) {
            return null;
        }
        $file = self::functions()->open($path, 0);
        $memory = self::functions()->mmap(null, $size, self::READ, self::MAP_SHARED, $file, 0);
        self::functions()->close($file);
        /** @phpstan-ignore property.notFound (a number of C has its value there) */
        $address = (int) self::seenAs('intptr_t', $memory)->cdata;

        return $address === -1
            ? throw new RuntimeException("{$path} cannot be read. May the application read it?")
            : new self($memory, $address, $size);
    }

    /**
     * The bytes of a file of which pieces() can be asked.
     *
     * @param  int  $last  the highest number
     * @param  iterable<int, string>  $pieces  by number from 0, in rising order; of those that are left out there is
     *     nothing
     */
    public static function ofPieces(int $last, iterable $pieces): string
    {
        $header = self::PLACE * ($last + 2);
        $places = $bytes = '';
        foreach ($pieces as $number => $piece) {
            $places .= str_repeat(
                pack('V', $header + strlen($bytes)),
                max(0, $number + 1 - intdiv(strlen($places), self::PLACE)),
            );
            $bytes .= $piece;
        }

        return $places .
            str_repeat(pack('V', $header + strlen($bytes)), intdiv($header - strlen($places), self::PLACE)) .
            $bytes;
    }

    /**
     * Pieces of a file that begins with where each of them lies: how far from its beginning, in four bytes, the lowest
     * first; each reaches up to the next, and the last place is the file's end.
     *
     * @param  list<int>  $numbers  from 0, in rising order; of those beyond the last there is nothing
     * @return string one after another
     */
    public function pieces(array $numbers): string
    {
        $places = self::seenAs('uint32_t *', $this->memory);
        $last = intdiv($places[0], self::PLACE) - 2;
        $pieces = '';
        foreach ($numbers as $number) {
            if ($number > $last) {
                break;
            }
            [$at, $next] = [(int) $places[$number], (int) $places[$number + 1]];
            /** @phpstan-ignore binaryOp.invalid (so far on in memory) */
            $pieces .= FFI::string($this->memory + $at, max(0, $next - $at));
        }

        return $pieces;
    }

    /**
     * The numbers, of four bytes each, that stand in some places of a file that has nothing else.
     *
     * @param  list<int>  $places  from 0, in rising order; beyond the last there is nothing
     * @return list<int>
     */
    public function numbers(array $places): array
    {
        $all = self::seenAs('uint32_t *', $this->memory);
        $last = intdiv($this->size, self::PLACE) - 1;
        $numbers = [];
        foreach ($places as $place) {
            if ($place > $last) {
                break;
            }
            $numbers[] = (int) $all[$place];
        }

        return $numbers;
    }

    /** @return MemoryFunctions */
    private static function functions(): object
    {
        /** @phpstan-ignore return.type (an FFI has the functions that were declared) */
        return self::c();
    }

    private static function seenAs(string $type, CData $memory): CData
    {
        return self::c()->cast($type, $memory) ?? throw new LogicException("{$type} is no type of C.");
    }

    private static function c(): FFI
    {
        return self::$c ??= FFI::cdef(self::FUNCTIONS);
    }
}
