<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading\Epub;

use FigPorch\Core\Reading\Point;

/** Part of a publication's reading order, from one point up to another. */
final class Passage
{
    /**
     * @param  list<string>  $paths  of the reading order
     * @param  callable(string): string  $read  a document by its path
     * @param  Point|null  $end  null for the end of the publication
     * @return list<array{path: string, markup: string}> what of each document is in it
     */
    public static function of(array $paths, callable $read, Point $start, ?Point $end): array
    {
        $passage = [];
        foreach ($paths as $index => $path) {
            if (
                $index < $start->document ||
                ($end !== null && ($index > $end->document || ($index === $end->document && $end->offset === 0)))
            ) {
                continue;
            }
            $markup = (new Text($read($path)))->between(
                $index === $start->document ? $start->offset : 0,
                $end !== null && $index === $end->document ? $end->offset : null,
            );
            if ($markup !== '') {
                $passage[] = ['path' => $path, 'markup' => $markup];
            }
        }

        return $passage;
    }
}
