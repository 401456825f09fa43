<?php

declare(strict_types=1);

namespace App\Exchange\Sending;

/** What goes out: files, and what is said with them. */
final readonly class Parcel
{
    /** @param  array<string, array{string, string}>  $files  media type and path of each, by its name */
    public function __construct(public array $files, public string $text) {}

    /** Files that were made for it go with it. */
    public function throwAway(): void
    {
        foreach ($this->files as [, $path]) {
            is_file($path) && unlink($path);
        }
    }

    public function bytes(): int
    {
        return array_sum(array_map(fn(array $file): int => (int) filesize($file[1]), $this->files));
    }
}
