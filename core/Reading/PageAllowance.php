<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading;

/** The pages that one loan may print or copy (rules §7): pages asked and pages already taken are counted once. */
final readonly class PageAllowance
{
    /**
     * @param  int|null  $allowed  null for as many as one likes
     * @param  list<int>  $taken  page numbers
     */
    public function __construct(public ?int $allowed, public array $taken) {}

    /** How many pages more may be taken; null for as many as one likes. */
    public function left(): ?int
    {
        return $this->allowed === null ? null : max(0, $this->allowed - count(array_unique($this->taken)));
    }

    /** @return list<int> those pages of a span that have not been taken yet */
    public function new(int $from, int $to): array
    {
        return array_values(array_diff(range($from, $to), $this->taken));
    }

    public function allows(int $from, int $to): bool
    {
        return $this->allowed === null || count($this->new($from, $to)) <= $this->left();
    }
}
