<?php

declare(strict_types=1);

namespace App\Queries\Catalogue\Sets;

use RuntimeException;

/** How many titles sets share with each of some others, written down beside them: four bytes a pair, a row for each set. */
final class SharedCounts
{
    private const FILE = 'shared';

    /**
     * @param  list<string>  $names  of the sets that have a row
     * @param  list<string>  $others
     */
    public static function write(string $folder, SetsFile $sets, array $names, array $others): void
    {
        $file = fopen("{$folder}/".self::FILE, 'wb') ?: throw new RuntimeException("{$folder} cannot be written to.");
        foreach ($names as $name) {
            $set = $sets->set($name)?->forCounting();
            $row = pack('V*', ...array_map(fn (string $other): int => $set === null ? 0 : $sets->countWith($other, $set), $others));
            if (fwrite($file, $row) !== strlen($row)) {
                throw new RuntimeException("{$folder} cannot be written to: is the disk full?");
            }
        }
        fclose($file);
    }

    /**
     * @param  int  $row  from 0
     * @param  int  $length  how many others there are
     * @return list<int>|null in their order; null where the file lost its end
     */
    public static function read(string $folder, int $row, int $length): ?array
    {
        $counts = $length === 0 ? '' : (string) file_get_contents("{$folder}/".self::FILE, offset: 4 * $row * $length, length: max(0, 4 * $length));

        return strlen($counts) === 4 * $length ? array_values((array) unpack('V*', $counts)) : null;
    }
}
