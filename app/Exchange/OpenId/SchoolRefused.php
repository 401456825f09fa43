<?php

declare(strict_types=1);

namespace App\Exchange\OpenId;

use RuntimeException;
use Throwable;

/** Signing in at a school came to nothing; the reason has its words in sign_in.school_refused. */
final class SchoolRefused extends RuntimeException
{
    /** @param  'unreachable'|'denied'|'state'|'token'|'group'|'card'  $reason */
    public function __construct(public readonly string $reason, string $detail = '', ?Throwable $previous = null)
    {
        parent::__construct("{$reason}: {$detail}", previous: $previous);
    }
}
