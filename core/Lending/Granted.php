<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

use DateTimeImmutable;

/** A loan may begin: from this licence, until then. */
final readonly class Granted
{
    public function __construct(public Licence $licence, public LoanLength $length, public DateTimeImmutable $dueAt) {}
}
