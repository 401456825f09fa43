<?php

declare(strict_types=1);

namespace App\Catalogue\BitmapIndex;

use FigPorch\Core\Catalogue\TitleSet;

/**
 * Which series each title is part of: a file that has by the title's number the series' number, in four bytes, 0 where
 * it is part of none;
 * and the names of all series, in pieces of another.
 */
final class SeriesFile
{
    private const NONE = "\0\0\0\0";

    public function __construct(private readonly MappedFile $ofTitles, private readonly MappedFile $names) {}

    /**
     * @param  iterable<int, int>  $series  by title, the lowest number first
     * @return string the bytes of the first file
     */
    public static function bytes(iterable $series): string
    {
        $bytes = self::NONE;
        foreach ($series as $title => $of) {
            $bytes .= str_repeat(self::NONE, max(0, $title - intdiv(strlen($bytes), 4))) . pack('V', $of);
        }

        return $bytes;
    }

    /** @return array<int, int> by series, how many of the titles it has; only series that have one */
    public function count(TitleSet $titles): array
    {
        $counts = array_count_values($this->ofTitles->numbers($titles->numbers()));
        unset($counts[0]);

        return $counts;
    }

    public function name(int $series): string
    {
        return $this->names->pieces([$series]);
    }
}
