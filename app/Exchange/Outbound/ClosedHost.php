<?php

declare(strict_types=1);

namespace App\Exchange\Outbound;

use RuntimeException;

/** A host that is not asked, or cannot be found. */
final class ClosedHost extends RuntimeException
{
    /** @param  bool  $isInside  it stands in this network; else nobody knows it */
    public function __construct(string $message, public readonly bool $isInside)
    {
        parent::__construct($message);
    }
}
