<?php

declare(strict_types=1);

namespace App\Catalogue\BitmapIndex;

use App\Catalogue\Filters\Filters;
use FigPorch\Core\Catalogue\TitleSet;
use Generator;

/**
 * How many titles a set shares with each subject's: what a search finds in the set can have no more of the subject. Of
 * each set a row, four bytes a subject, the subjects with the most titles first.
 */
final class SharedCounts
{
    public const WITH = 'subject';

    /**
     * @param  iterable<string, TitleSet>  $sets  by name, those of subjects first
     * @return Generator<NamedBitmap>
     */
    public static function counted(iterable $sets): Generator
    {
        /** @var array<string, TitleSet> $subjects */
        $subjects = [];
        $ranked = null;
        $with = ['stem', ...Filters::withSharedCounts()];
        foreach ($sets as $name => $set) {
            $kind = strstr($name, ':', true);
            if ($kind === self::WITH) {
                $subjects[$name] = $set;

                continue;
            }
            if ($ranked === null) {
                $ranked = self::ranked($subjects);
                yield from self::ofEach($subjects, $ranked);
            }
            yield new NamedBitmap($name, $set, in_array($kind, $with, true) ? self::row($set, $ranked) : null);
        }
        if ($ranked === null) {
            yield from self::ofEach($subjects, self::ranked($subjects));
        }
    }

    /**
     * @param  array<string, TitleSet>  $sets
     * @param  list<TitleSet>  $ranked
     * @return Generator<NamedBitmap>
     */
    private static function ofEach(array $sets, array $ranked): Generator
    {
        foreach ($sets as $name => $set) {
            yield new NamedBitmap($name, $set, self::row($set, $ranked));
        }
    }

    /**
     * @param  array<string, TitleSet>  $subjects  by name
     * @return list<TitleSet>
     */
    private static function ranked(array $subjects): array
    {
        $counts = [];
        foreach ($subjects as $name => $set) {
            $counts[explode(':', $name, 2)[1]] = $set->count();
        }

        return array_map(
            fn(int|string $subject): TitleSet => $subjects[self::WITH . ":{$subject}"],
            array_keys(self::inOrder($counts)),
        );
    }

    /**
     * @param  array<int|string, int>  $counts  titles by value
     * @return array<int|string, int> the most first, then by value: the order of a row
     */
    public static function inOrder(array $counts): array
    {
        ksort($counts);
        arsort($counts);

        return $counts;
    }

    /** @param  list<TitleSet>  $ranked */
    private static function row(TitleSet $set, array $ranked): string
    {
        $counted = $set->forCounting();

        return pack('V*', ...array_map(fn(TitleSet $subject): int => $counted->countWith($subject), $ranked));
    }

    /**
     * @param  string  $row  as it was kept
     * @return list<int>|null by subject; null where it is not of so many subjects: a file that lost its end
     */
    public static function read(string $row, int $subjects): ?array
    {
        return strlen($row) === 4 * $subjects ? array_values((array) unpack('V*', $row)) : null;
    }
}
