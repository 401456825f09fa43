<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Query;

/** How the words of a clause are looked for. */
enum Matching: string
{
    case All = 'all';
    case InARow = 'row';
    case Any = 'any';
    case Beginnings = 'begin';
}
