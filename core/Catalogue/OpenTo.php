<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue;

/** For whom a website is that a library points to. */
enum OpenTo: string
{
    case Everybody = 'everybody';
    case CardHolders = 'card';
    case InTheBuilding = 'building';
}
