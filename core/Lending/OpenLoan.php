<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

use DateTimeImmutable;

final readonly class OpenLoan
{
    public function __construct(public int $id, public string $title, public DateTimeImmutable $dueAt) {}
}
