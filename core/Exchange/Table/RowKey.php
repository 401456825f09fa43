<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Table;

use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Isbn;
use FigPorch\Core\Catalogue\SearchWords;
use FigPorch\Core\Catalogue\WebLink;
use FigPorch\Core\Exchange\UnreadableRecord;

/** By what the title of a row is known again, where the table has no keys. */
final class RowKey
{
    /** One of these says whose edition it is; a name alone may be that of many books. */
    private const MADE_BY = ['contributors', 'publisher'];

    private const EDITION = ['subtitle', 'contributors', 'edition', 'published', 'publisher', 'series_position'];

    /**
     * @param  array<string, string>  $texts  by field of RecordText
     * @param  list<WebLink>  $links
     *
     * @throws UnreadableRecord where it could be any
     */
    public static function of(array $texts, string $name, Format $format, array $links): string
    {
        $kind = $format->isLent() ? '' : "{$format->value}:";
        foreach (explode("\n", $texts['identifiers'] ?? '') as $identifier) {
            $isbn = Isbn::parse($identifier);
            if ($isbn !== null) {
                return "{$kind}isbn:{$isbn->thirteen}";
            }
        }
        if ($links !== []) {
            return $links[0]->key();
        }
        if ($format !== Format::Paper) {
            throw new UnreadableRecord('“:name” has neither a key nor an ISBN: nobody could know it again.', [
                'name' => $name,
            ]);
        }
        if (implode('', array_intersect_key($texts, array_flip(self::MADE_BY))) === '') {
            throw new UnreadableRecord('“:name” has no ISBN: say who wrote or published it, or it could be any.', [
                'name' => $name,
            ]);
        }

        return self::edition($texts, $name);
    }

    /**
     * Older books have no number: an edition is known again by its name, who made it, when and where it came out
     * (common practice, no source).
     *
     * @param  array<string, string>  $texts
     */
    private static function edition(array $texts, string $name): string
    {
        $facts = [$name, ...array_map(fn(string $of): string => $texts[$of] ?? '', self::EDITION)];
        $folded = array_map(SearchWords::fold(...), $facts);

        return 'paper:edition:' . substr(hash('sha256', implode('|', $folded)), 0, 40);
    }
}
