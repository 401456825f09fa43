<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading;

use RuntimeException;

/** The file cannot be taken in; the reason says why, the message says it with particulars. */
final class UnreadablePublication extends RuntimeException
{
    public function __construct(public readonly Reason $reason, string $particulars = '')
    {
        parent::__construct($particulars === '' ? $reason->value : "{$reason->value}: {$particulars}");
    }
}
