<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Query;

/** How a clause is joined with all clauses before it. */
enum Joined: string
{
    case And = 'and';
    case Or = 'or';
    case Not = 'not';
}
