<?php

declare(strict_types=1);

namespace App\Lending\Borrowing;

use FigPorch\Core\Lending\Refusal;

/** An event: someone wanted a title and could not have it. */
final readonly class TurnedAway
{
    public function __construct(public int $libraryId, public int $titleId, public Refusal $reason) {}
}
