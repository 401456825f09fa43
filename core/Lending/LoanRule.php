<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;

/** One row of a library's loan rules; what is null here is left to a less specific rule. */
final readonly class LoanRule
{
    /**
     * @param  string|null  $group  patron group; null for every group
     * @param  Format|null  $format  null for every format
     * @param  list<LoanLength>|null  $lengths
     */
    public function __construct(
        public ?string $group = null,
        public ?Format $format = null,
        public ?int $maxLoans = null,
        public ?int $maxHolds = null,
        public ?array $lengths = null,
        public ?LoanLength $defaultLength = null,
        public ?int $renewalWindowDays = null,
        public ?int $maxRenewals = null,
        public ?int $holdKeptHours = null,
        public ?int $payPerLoanMonthly = null,
        public ?Audience $audienceCeiling = null,
    ) {}

    public function appliesTo(string $group, Format $format): bool
    {
        return ($this->group === null || $this->group === $group) &&
            ($this->format === null || $this->format === $format);
    }

    /** Group and format, then group, then format, then the whole library. */
    public function specificity(): int
    {
        return ($this->group !== null ? 2 : 0) + ($this->format !== null ? 1 : 0);
    }
}
