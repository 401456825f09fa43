<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading;

use FigPorch\Core\Catalogue\SearchWords;

/**
 * What a section of a publication is called in an address: its number in the contents and its name. The name finds it
 * again where another file of the title has more or fewer entries before it; the number where it is called otherwise.
 */
final class SectionAddress
{
    private const LONGEST = 60;

    private const SHAPE = '/^([1-9]\d{0,5})(?:-([^\/]{1,200}))?$/Du';

    /** @param  int  $number  in the contents, from 0 */
    public static function of(int $number, string $label): string
    {
        return $number + 1 . rtrim('-' . self::slug($label), '-');
    }

    public static function isOne(string $address): bool
    {
        return preg_match(self::SHAPE, $address) === 1;
    }

    /**
     * @param  list<array{0: int, 1: string, 2?: int|null, 3?: int}>  $contents  as a publication has them
     * @return int|null the number of the entry, from 0; null where there is none like it that leads anywhere
     */
    public static function find(array $contents, string $address): ?int
    {
        if (preg_match(self::SHAPE, $address, $parts) !== 1) {
            return null;
        }
        $number = (int) $parts[1] - 1;
        $leading = array_filter($contents, fn(array $entry): bool => isset($entry[2]));
        $name = $parts[2] ?? '';
        $named = $name === '' ? [] : array_filter($leading, fn(array $entry): bool => self::slug($entry[1]) === $name);
        if ($named === []) {
            return isset($leading[$number]) ? $number : null;
        }
        $keys = array_keys($named);
        usort($keys, fn(int $a, int $b): int => abs($a - $number) <=> abs($b - $number));

        return $keys[0];
    }

    private static function slug(string $label): string
    {
        $words = trim((string) preg_replace('/[^\p{L}\p{N}]+/u', '-', SearchWords::fold($label)), '-');

        return trim(mb_substr($words, 0, self::LONGEST), '-');
    }
}
