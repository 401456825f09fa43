<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading\Epub;

/** A resource of the reading order. */
final readonly class SpineItem
{
    public function __construct(
        public string $id,
        public string $href,
        public string $mediaType,
        public int $size,
        public bool $linear,
    ) {}
}
