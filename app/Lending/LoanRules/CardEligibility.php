<?php

declare(strict_types=1);

namespace App\Lending\LoanRules;

/** What of the titles that a library has ready a card may borrow. */
final readonly class CardEligibility
{
    /**
     * @param  list<string>|null  $audiences  as pairs like "ebook:teen"; null for everything
     * @param  list<string>  $unpaid  formats in which the card's month of pay per loan is used up
     */
    public function __construct(public ?array $audiences = null, public array $unpaid = []) {}
}
