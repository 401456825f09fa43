<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Counter;

use FigPorch\Core\Catalogue\Format;

/** Kinds of content of COUNTER Release 5.1 (from memory), those that there are here. */
enum DataType: string
{
    case Audiovisual = 'Audiovisual';
    case Book = 'Book';
    case DatabaseAggregated = 'Database_Aggregated';
    case Journal = 'Journal';
    case Platform = 'Platform';
    case Sound = 'Sound';

    /** What is heard is Sound, a book that is read aloud too. */
    public static function of(Format $format): self
    {
        return match ($format) {
            // What stands elsewhere is not used here, and never counted.
            Format::Ebook, Format::Paper, Format::Website => self::Book,
            Format::Magazine => self::Journal,
            Format::Audiobook, Format::Music => self::Sound,
            Format::Video => self::Audiovisual,
        };
    }

    /** Whether titles are counted beside items: of books only. */
    public function countsTitles(): bool
    {
        return $this === self::Book;
    }
}
