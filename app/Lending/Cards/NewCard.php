<?php

declare(strict_types=1);

namespace App\Lending\Cards;

use DateTimeImmutable;

/** A card that is about to be given out. */
final readonly class NewCard
{
    /**
     * @param  string|null  $number  null: the next one
     * @param  string|null  $pin  null: one that is made and said once
     * @param  string|null  $class  at a school
     * @param  string|null  $locale  in which they are written to; null: that of whoever gives out the card
     */
    public function __construct(
        public string $name,
        public string $group,
        public ?string $number = null,
        public ?string $email = null,
        public ?string $class = null,
        public ?DateTimeImmutable $expiresAt = null,
        public ?string $pin = null,
        public ?string $locale = null,
    ) {}
}
