<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

use DateTimeImmutable;

/** A decision against, with the facts a person needs to act on it. */
final readonly class Refused
{
    /**
     * @param  int|null  $limit  the limit that was reached
     * @param  OpenLoan|null  $soonestDue  the loan that ends soonest, where returning one would help
     * @param  DateTimeImmutable|null  $at  when the card expired, or when it will be possible
     * @param  string|null  $said  in the words of the library's staff
     */
    public function __construct(
        public Refusal $reason,
        public ?int $limit = null,
        public ?OpenLoan $soonestDue = null,
        public ?DateTimeImmutable $at = null,
        public ?string $said = null,
    ) {}
}
