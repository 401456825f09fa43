<?php

declare(strict_types=1);

namespace App\Catalogue\BitmapIndex;

use FFI\CData;

/** What PHP sees of the functions of POSIX by which a file becomes memory (mmap(2), open(2)). */
interface MemoryFunctions
{
    /** @return CData the address; -1 where it cannot be done */
    public function mmap(null $at, int $length, int $protection, int $flags, int $file, int $offset): CData;

    public function munmap(CData $at, int $length): int;

    public function open(string $path, int $flags): int;

    public function close(int $file): int;
}
