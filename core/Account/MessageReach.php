<?php

declare(strict_types=1);

namespace FigPorch\Core\Account;

use InvalidArgumentException;

/** Where, when and for whom a library's message stands. */
final readonly class MessageReach
{
    /**
     * @param  list<string>  $rooms  by their names in addresses; none: on the front door and on Porches
     * @param  list<string>  $groups  of patrons; none: for everybody, with a card or without
     * @param  string  $firstDay  "2026-12-24", by the library's clock; both days included
     */
    public function __construct(
        private array $rooms,
        private array $groups,
        private string $firstDay,
        private ?string $lastDay,
    ) {
        if ($lastDay !== null && $lastDay < $firstDay) {
            throw new InvalidArgumentException('A message ends after it begins.');
        }
    }

    public function isOn(string $day): bool
    {
        return $day >= $this->firstDay && ($this->lastDay === null || $day <= $this->lastDay);
    }

    /** @param  string|null  $group  of the reader's card here; null for who has none */
    public function isFor(?string $group): bool
    {
        return $this->groups === [] || in_array($group, $this->groups, true);
    }

    /** @param  string|null  $room  null: on the front door and on Porches */
    public function standsIn(?string $room): bool
    {
        return $room === null ? $this->rooms === [] : in_array($room, $this->rooms, true);
    }
}
