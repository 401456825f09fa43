<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue;

/** What a row of a front door can show. */
enum FrontRowKind: string
{
    case Formats = 'formats';
    case Ready = 'ready';
    case Newest = 'newest';
    case Popular = 'popular';
    case List = 'list';
    case Lists = 'lists';
}
