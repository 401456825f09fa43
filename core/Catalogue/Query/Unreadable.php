<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Query;

use RuntimeException;

/** A query that cannot be read as typed; never leaves the parser, which makes a Refusal of it. */
final class Unreadable extends RuntimeException
{
    /** @param  int  $at  the place, in characters from 0 */
    public function __construct(public readonly RefusalReason $reason, public readonly int $at)
    {
        parent::__construct($reason->value);
    }
}
