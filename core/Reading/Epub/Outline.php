<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading\Epub;

use FigPorch\Core\Reading\Archive;
use FigPorch\Core\Reading\UnreadablePublication;

/** Where in its text a publication's pages and the entries of its contents begin. */
final readonly class Outline
{
    private const MOST_CONTENTS = 400;

    private const CONTENTS_DEPTH = 2;

    private const LONGEST_LABEL = 300;

    /**
     * @param  list<int>  $lengths  bytes of text of each document of the reading order, a document that stands in it
     *     twice once
     * @param  list<array{string, int, int}>  $pages  label, document and offset of each page of its own list
     * @param  list<array{int, string, int|null, int}>  $contents  depth, label, document and offset of each entry; no
     *     document for one that leads nowhere
     */
    private function __construct(public array $lengths, public array $pages, public array $contents) {}

    /** @throws UnreadablePublication */
    public static function of(Archive $archive, Publication $publication): self
    {
        $documents = array_values(
            array_unique(array_map(fn(SpineItem $item): string => $item->href, $publication->spine)),
        );
        $order = array_flip($documents);
        $contents = array_slice(self::entries($publication->contents), 0, self::MOST_CONTENTS);
        $ids = [];
        foreach ([...$publication->pages, ...array_column($contents, 1)] as $point) {
            $ids[self::path($point)][] = self::id($point);
        }
        $lengths = $offsets = [];
        foreach ($documents as $path) {
            $text = new Text($archive->read($path));
            $lengths[] = $text->length();
            $offsets[$path] = $text->offsets($ids[$path] ?? []);
        }
        $offset = fn(NavPoint $point): int => $offsets[self::path($point)][self::id($point)] ?? 0;
        $pages = array_filter($publication->pages, fn(NavPoint $point): bool => isset($order[self::path($point)]));

        return new self(
            $lengths,
            array_values(
                array_map(
                    fn(NavPoint $point): array => [self::label($point), $order[self::path($point)], $offset($point)],
                    $pages,
                ),
            ),
            array_map(
                fn(array $entry): array => [
                    $entry[0],
                    self::label($entry[1]),
                    $order[self::path($entry[1])] ?? null,
                    $offset($entry[1]),
                ],
                $contents,
            ),
        );
    }

    /**
     * As far down as a title's page shows them.
     *
     * @param  list<NavPoint>  $points
     * @return list<array{int, NavPoint}> with their depth
     */
    private static function entries(array $points, int $depth = 0): array
    {
        return $depth > self::CONTENTS_DEPTH
            ? []
            : array_merge(
                [],
                ...array_map(
                    fn(NavPoint $point): array => [[$depth, $point], ...self::entries($point->children, $depth + 1)],
                    $points,
                ),
            );
    }

    private static function label(NavPoint $point): string
    {
        return mb_substr($point->label, 0, self::LONGEST_LABEL);
    }

    private static function path(NavPoint $point): string
    {
        return (string) strtok((string) $point->href, '#');
    }

    private static function id(NavPoint $point): string
    {
        return rawurldecode(substr(Href::fragment((string) $point->href), 1));
    }
}
