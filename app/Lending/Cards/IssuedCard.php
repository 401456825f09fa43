<?php

declare(strict_types=1);

namespace App\Lending\Cards;

/** A card that has just been given out, with its PIN, which is known for this moment alone. */
final readonly class IssuedCard
{
    public function __construct(public int $id, public string $name, public string $number, public string $pin) {}
}
