<?php

declare(strict_types=1);

namespace App\Exchange\LibrarySystem;

use DateTimeImmutable;

/** How a holding stands at this moment, as the library's own system says. */
final readonly class HoldingNow
{
    /**
     * @param  int  $in  copies that are in
     * @param  int  $known  copies of which the system has said anything; none: it has to be asked at the library
     * @param  DateTimeImmutable|null  $dueAt  where none is in: when the first is due back
     */
    public function __construct(public int $in, public int $known, public ?DateTimeImmutable $dueAt = null) {}
}
