<?php

declare(strict_types=1);

namespace App\Catalogue\BitmapIndex;

use FigPorch\Core\Catalogue\TitleSet;
use Generator;
use LengthException;

/**
 * Which values of filters each title has: the sets turned round. A few titles are counted by it in less time than by
 * looking into every set. The file says where the values of each title lie, by its number, then what they are, two
 * bytes each: their places in a list of all.
 */
final class FacetsFile
{
    /** So many titles are written at a time: a process of the web server, which may have to, has 256 MB. */
    private const AT_A_TIME = 1 << 16;

    private const MOST_VALUES = 1 << 16;

    /** @param  list<string>  $values  a kind, a colon and a value each, in the order in which they were written */
    public function __construct(private readonly MappedFile $file, private readonly array $values) {}

    /**
     * @param  list<TitleSet>  $sets  the titles of each value
     * @return string the bytes of the file
     */
    public static function bytes(array $sets): string
    {
        if (count($sets) > self::MOST_VALUES) {
            throw new LengthException(
                count($sets) . ' values of filters are more than the two bytes of each can tell apart.',
            );
        }
        $last = max([0, ...array_map(fn(TitleSet $set): int => $set->highest(), $sets)]);

        return MappedFile::ofPieces($last, self::had($last, $sets));
    }

    /**
     * @param  list<TitleSet>  $sets
     * @return Generator<int, string> by title, its values
     */
    private static function had(int $last, array $sets): Generator
    {
        for ($from = 0; $from <= $last; $from += self::AT_A_TIME) {
            $titles = range($from, min($last, $from + self::AT_A_TIME - 1));
            $these = TitleSet::of($titles);
            $had = array_fill_keys($titles, '');
            foreach ($sets as $value => $set) {
                foreach ($set->and($these)->numbers() as $title) {
                    $had[$title] .= pack('v', $value);
                }
            }
            yield from $had;
        }
    }

    /**
     * @return array<string, array<int|string, int>> by kind and value, how many of the titles have it; only of kinds
     *     and values that one of them has
     */
    public function count(TitleSet $titles): array
    {
        $counts = [];
        /** @var array<int> $had */
        $had = unpack('v*', $this->file->pieces($titles->numbers())) ?: [];
        foreach (array_count_values($had) as $value => $count) {
            [$kind, $of] = explode(':', $this->values[$value], 2);
            $counts[$kind][$of] = $count;
        }

        return $counts;
    }
}
