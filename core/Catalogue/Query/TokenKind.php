<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Query;

/** What a piece of a query is, before it is read as a tree. */
enum TokenKind: string
{
    case Open = 'open';
    case Close = 'close';
    case Minus = 'minus';
    case Field = 'field';
    case Quoted = 'quoted';
    case Word = 'word';
}
