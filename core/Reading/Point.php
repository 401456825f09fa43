<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading;

/** A point in a publication's text. */
final readonly class Point
{
    /**
     * @param  int  $document  in the reading order, from 0
     * @param  int  $offset  bytes of the document's text before it
     */
    public function __construct(public int $document, public int $offset = 0) {}

    public function isBefore(self $other): bool
    {
        return [$this->document, $this->offset] < [$other->document, $other->offset];
    }
}
