<?php

declare(strict_types=1);

namespace App\Exchange\Bibliography;

use App\Catalogue\Baskets\Baskets;
use App\Catalogue\Citations\CitableTitles;
use App\Models\Basket;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Citation\CitedTitle;

/** The titles of a basket, and of all in the baskets that it holds, as they are cited. */
final class CitedBasket
{
    public function __construct(private readonly Baskets $baskets, private readonly CitableTitles $citable) {}

    /**
     * @param  DateTimeImmutable  $day  on which they are cited
     * @return list<CitedTitle>
     */
    public function titles(Basket $basket, DateTimeImmutable $day): array
    {
        $ids = [];
        foreach ($this->baskets->below($basket) as $of) {
            array_push($ids, ...$of['basket']->titles()->pluck('titles.id')->all());
        }

        return $this->citable->titles(
            array_values(array_unique($ids)),
            fn(int $id): string => route('titles.show', $id),
            $day,
        );
    }
}
