<?php

declare(strict_types=1);

namespace App\Lending\Holdings;

use App\Models\Holding;
use App\Models\Link;
use FigPorch\Core\Catalogue\OpenTo;

/** Where a title that is not lent here stands: on paper, or on the web. */
final readonly class Elsewhere
{
    /**
     * @param  list<Holding>  $holdings  with their libraries; those of the library that is looked at first
     * @param  list<Link>  $links  likewise
     */
    public function __construct(public array $holdings = [], public array $links = []) {}

    /** @return list<Link> each address once, and where several libraries point to it, for most people */
    public function websites(): array
    {
        $byAddress = [];
        foreach ($this->links as $link) {
            $known = $byAddress[$link->address] ?? null;
            if ($known === null || ($known->open_to !== OpenTo::Everybody && $link->open_to === OpenTo::Everybody)) {
                $byAddress[$link->address] = $link;
            }
        }

        return array_values($byAddress);
    }

    public function isNowhere(): bool
    {
        return $this->holdings === [] && $this->links === [];
    }
}
