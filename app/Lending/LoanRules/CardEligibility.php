<?php

declare(strict_types=1);

namespace App\Lending\LoanRules;

/** What of the titles that a library has a card may borrow, and what of the others its person wants to see. */
final readonly class CardEligibility
{
    /**
     * @param  list<string>|null  $audiences  as pairs like "ebook:teen"; null for everything
     * @param  list<string>  $unpaid  formats in which the card's month of pay per loan is used up
     * @param  bool  $older  what the card may never borrow, because it is for older readers, is listed all the same
     */
    public function __construct(
        public ?array $audiences = null,
        public array $unpaid = [],
        public bool $older = true,
    ) {}

    /** @return list<string>|null pairs like "ebook:teen" of what is listed; null for everything */
    public function listed(): ?array
    {
        return $this->older ? null : $this->audiences;
    }

    public function withOlder(): self
    {
        return new self($this->audiences, $this->unpaid);
    }
}
