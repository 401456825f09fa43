<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Sending;

/** What can be sent. */
enum Goods: string
{
    /** The most bytes of a file that goes by mail: what most mail servers take (common practice, no source). */
    public const MOST_BYTES = 25_000_000;

    case Book = 'book';
    case Pages = 'pages';
    case Citation = 'citation';
    case Bibliography = 'bibliography';

    /** An e-reader is for books; a whole book is no letter. */
    public function goes(Way $way): bool
    {
        return $way === Way::Folder || ($way === Way::EReader) === ($this === self::Book);
    }
}
