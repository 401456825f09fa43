<?php

declare(strict_types=1);

namespace App\Lending\Availability;

use App\Models\Card;
use App\Models\Library;
use App\Models\Title;

/** One way to get a work: an edition through a card. */
final readonly class AcquisitionOption
{
    /** @param  bool  $oneOfSeveralCards  the person has cards elsewhere too, so the library has to be named */
    public function __construct(
        public Title $title,
        public Library $library,
        public ?Card $card,
        public AvailableTitle $standing,
        public ?LoanSource $source,
        public bool $oneOfSeveralCards,
    ) {}
}
