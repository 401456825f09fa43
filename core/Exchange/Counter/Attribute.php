<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Counter;

/** By what figures of an item may be parted. */
enum Attribute: string
{
    case DataType = 'Data_Type';
    case Yop = 'YOP';
    case AccessType = 'Access_Type';
    case AccessMethod = 'Access_Method';
}
