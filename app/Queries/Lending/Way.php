<?php

declare(strict_types=1);

namespace App\Queries\Lending;

use App\Models\Card;
use App\Models\Library;
use App\Models\Title;

/** One way to get a work: an edition through a card. */
final readonly class Way
{
    /** @param  bool  $oneOfSeveralCards  the person has cards elsewhere too, so the library has to be named */
    public function __construct(
        public Title $title,
        public Library $library,
        public ?Card $card,
        public TitleStanding $standing,
        public ?LoanSource $source,
        public bool $oneOfSeveralCards,
    ) {
    }
}
