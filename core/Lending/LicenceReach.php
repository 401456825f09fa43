<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

/** Whose patrons a licence lends to: its own library's, and if it is shared those of the consortium (rules §3). */
final readonly class LicenceReach
{
    /** @param  int|null  $consortiumId  the library's; null where it is in none, and shares with nobody */
    public function __construct(public int $libraryId, public bool $shared, public ?int $consortiumId) {}

    public function serves(int $libraryId, ?int $consortiumId): bool
    {
        return $libraryId === $this->libraryId ||
            ($this->shared && $consortiumId !== null && $consortiumId === $this->consortiumId);
    }
}
