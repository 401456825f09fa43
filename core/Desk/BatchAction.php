<?php

declare(strict_types=1);

namespace FigPorch\Core\Desk;

/** What can be done with many titles at once. */
enum BatchAction: string
{
    case Licence = 'licence';
    case Withdraw = 'withdraw';
    case PutOnList = 'list';
    case AddSubject = 'add_subject';
    case RemoveSubject = 'remove_subject';
    case Audience = 'audience';
}
