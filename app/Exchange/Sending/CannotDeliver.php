<?php

declare(strict_types=1);

namespace App\Exchange\Sending;

use FigPorch\Core\Exchange\Sending\Undelivered;
use RuntimeException;

/** Something does not go, and trying again would not help. */
final class CannotDeliver extends RuntimeException
{
    public function __construct(public readonly Undelivered $why)
    {
        parent::__construct($why->value);
    }
}
