<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue;

/** What of several things of one name tells each from the others. */
final class ToldApart
{
    /**
     * @template K of array-key
     *
     * @param  array<K, array{string, list<string>}>  $things  of each its name, and its facts in the order in which
     *     they are to be tried; as many for each, empty where it has none
     * @return array<K, string> the facts of those whose name others have: as few as tell most of them apart
     */
    public static function facts(array $things): array
    {
        $named = $told = [];
        foreach ($things as $key => [$name]) {
            $named[mb_strtolower(trim($name))][] = $key;
        }
        foreach (array_filter($named, fn(array $keys): bool => count($keys) > 1) as $keys) {
            $said = array_fill_keys($keys, []);
            for ($fact = 0; $fact < count($things[$keys[0]][1]); $fact++) {
                $more = array_map(fn($key): array => array_filter([...$said[$key], $things[$key][1][$fact]]), $keys);
                if (count(array_unique($more, SORT_REGULAR)) > count(array_unique($said, SORT_REGULAR))) {
                    $said = array_combine($keys, $more);
                }
                if (count(array_unique($said, SORT_REGULAR)) === count($keys)) {
                    break;
                }
            }
            foreach ($said as $key => $facts) {
                $facts === [] || ($told[$key] = implode(', ', $facts));
            }
        }

        return $told;
    }
}
