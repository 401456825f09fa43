<?php

declare(strict_types=1);

namespace App\Catalogue\Baskets;

use App\Models\Basket;
use Illuminate\Database\Eloquent\Builder;

/** Whose baskets: a person's, or before anyone has signed in those of a browser. */
final readonly class BasketOwner
{
    public function __construct(public ?int $personId, public ?string $browserKey) {}

    /** @return Builder<Basket> */
    public function baskets(): Builder
    {
        return match (true) {
            $this->personId !== null => Basket::query()->where('person_id', $this->personId),
            $this->browserKey !== null => Basket::query()
                ->whereNull('person_id')
                ->where('browser_key', $this->browserKey),
            default => Basket::query()->whereRaw('false'),
        };
    }

    /** @return array<int, string> of the first baskets, by id */
    public function names(int $most): array
    {
        return $this->personId === null && $this->browserKey === null
            ? []
            : $this->baskets()->orderBy('position')->orderBy('id')->limit($most)->pluck('name', 'id')->all();
    }

    public function owns(Basket $basket): bool
    {
        return $this->personId !== null
            ? $basket->person_id === $this->personId
            : $basket->person_id === null && $this->browserKey !== null && $basket->browser_key === $this->browserKey;
    }
}
