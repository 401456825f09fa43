<?php

declare(strict_types=1);

namespace FigPorch\Core\Desk;

/** What somebody at the Desk may be allowed to do, beside looking at figures, which all who work there may. */
enum StaffTask: string
{
    case Staff = 'staff';
    case Library = 'library';
    case Rules = 'rules';
    case Trail = 'trail';
    case Patrons = 'patrons';
    case Licences = 'licences';
    case Titles = 'titles';
    case Requests = 'requests';
    case Lists = 'lists';
    case Messages = 'messages';
    case Letters = 'letters';
}
