<?php

declare(strict_types=1);

namespace App\Lending\LoanRules;

use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;

/** What of the titles that a library has a card may borrow, and what of the others its person wants to see. */
final readonly class CardEligibility
{
    /**
     * @param  list<string>|null  $audiences  as pairs like "ebook:teen"; null for everything
     * @param  list<string>  $unpaid  formats in which the card's month of pay per loan is used up
     * @param  bool  $older  what the card may never borrow, because it is for older readers, is listed all the same
     * @param  bool  $lentOnly  what stands on paper or on the web is not listed
     */
    public function __construct(
        public ?array $audiences = null,
        public array $unpaid = [],
        public bool $older = true,
        public bool $lentOnly = false,
    ) {}

    /** @return list<string>|null pairs like "ebook:teen" of what is listed; null for everything */
    public function listed(): ?array
    {
        $listed = $this->older ? null : $this->audiences;
        if (!$this->lentOnly) {
            return $listed;
        }
        $lent = [];
        foreach (Format::lent() as $format) {
            foreach (Audience::cases() as $audience) {
                $lent[] = "{$format->value}:{$audience->value}";
            }
        }

        return array_values($listed === null ? $lent : array_intersect($lent, $listed));
    }

    public function withOlder(): self
    {
        return new self($this->audiences, $this->unpaid, lentOnly: $this->lentOnly);
    }

    public function ofLent(): self
    {
        return new self($this->audiences, $this->unpaid, $this->older, lentOnly: true);
    }
}
