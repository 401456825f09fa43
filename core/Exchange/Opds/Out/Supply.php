<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Opds\Out;

use DateTimeImmutable;

/** Whether a title can be had, as OPDS 2.0 ("Acquisition links", availability, copies, holds) says it. */
final readonly class Supply
{
    /**
     * @param  string  $state  "available", "unavailable", "reserved" (a hold waits) or "ready" (its copy is kept)
     * @param  DateTimeImmutable|null  $until  of a loan, when it is due; of a copy kept, until when
     * @param  array{total: int, available: int}|null  $copies  null where there is no number of them
     * @param  array{total: int, position: int|null}|null  $holds
     * @param  string|null  $detail  the same in words
     */
    public function __construct(
        public string $state,
        public ?DateTimeImmutable $since = null,
        public ?DateTimeImmutable $until = null,
        public ?array $copies = null,
        public ?array $holds = null,
        public ?string $detail = null,
    ) {}
}
