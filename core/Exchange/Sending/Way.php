<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Sending;

/** To which place of one's own something is sent. */
enum Way: string
{
    case EReader = 'e_reader';
    case Mail = 'mail';
    case Folder = 'folder';
}
