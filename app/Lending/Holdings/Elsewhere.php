<?php

declare(strict_types=1);

namespace App\Lending\Holdings;

use App\Models\Holding;
use App\Models\Link;

/** Where a title that is not lent here stands: on paper, or on the web. */
final readonly class Elsewhere
{
    /**
     * @param  list<Holding>  $holdings  with their libraries; those of the library that is looked at first
     * @param  list<Link>  $links  likewise
     */
    public function __construct(public array $holdings = [], public array $links = []) {}

    public function isNowhere(): bool
    {
        return $this->holdings === [] && $this->links === [];
    }
}
