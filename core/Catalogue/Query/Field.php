<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Query;

/** What part of a record a word must stand in. */
enum Field: string
{
    case Title = 'title';
    case Author = 'author';
    case Narrator = 'narrator';
    case Contributor = 'contributor';
    case Series = 'series';
    case Subject = 'subject';
    case Publisher = 'publisher';
    case Award = 'award';
    case Isbn = 'isbn';
    case Language = 'lang';
    case Year = 'year';
    case Level = 'level';

    /** Whether its values are numbers, of which a range can be asked. */
    public function isRange(): bool
    {
        return $this === self::Year || $this === self::Level;
    }
}
