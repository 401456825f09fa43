<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue;

enum Format: string
{
    case Ebook = 'ebook';
    case Audiobook = 'audiobook';
    case Magazine = 'magazine';
    case Music = 'music';
    case Video = 'video';
}
