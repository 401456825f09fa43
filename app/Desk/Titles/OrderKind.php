<?php

declare(strict_types=1);

namespace App\Desk\Titles;

/** What can be done with a licence; as forms and licence_changes name it. */
enum OrderKind: string
{
    case Add = 'add';
    case Copies = 'copies';
    case End = 'end';
}
