<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue;

/** How far a search goes. */
enum Reach: string
{
    case Library = 'library';
    case Cards = 'cards';
    case Beyond = 'beyond';
}
