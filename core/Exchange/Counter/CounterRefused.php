<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Counter;

use RuntimeException;

/** A report that is not made. */
final class CounterRefused extends RuntimeException
{
    public function __construct(public readonly CounterError $error, public readonly string $data = '')
    {
        parent::__construct($error->message());
    }
}
