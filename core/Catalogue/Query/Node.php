<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Query;

/** A part of a query, as a tree. */
interface Node
{
    /** As it would be typed, so that it reads back as the same tree. */
    public function text(): string;
}
