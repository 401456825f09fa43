<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

enum HoldState: string
{
    case Waiting = 'waiting';
    case Paused = 'paused';
    case Ready = 'ready';
    case Filled = 'filled';
    case Cancelled = 'cancelled';
    case Lapsed = 'lapsed';
}
