<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue;

enum IdentifierKind: string
{
    case Isbn = 'ISBN';
    case Issn = 'ISSN';
    case Ismn = 'ISMN';
    case Isrc = 'ISRC';
}
