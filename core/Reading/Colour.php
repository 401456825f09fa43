<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading;

/** The colours of highlights. */
enum Colour: string
{
    case Lamp = 'lamp';
    case Sea = 'sea';
    case Fig = 'fig';
    case Clay = 'clay';
}
