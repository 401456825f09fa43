<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Citation;

/** Where in a title a passage stands. */
final readonly class Passage
{
    /**
     * @param  string|null  $page  by the publication's own page list; positions are no pages that others can find
     * @param  string|null  $section  the heading under which it stands
     */
    public function __construct(public ?string $page = null, public ?string $section = null) {}
}
