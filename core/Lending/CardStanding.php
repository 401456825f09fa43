<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

use DateTimeImmutable;

/** A library card and what it has open, as the decisions need it. */
final readonly class CardStanding
{
    public function __construct(
        public int $id,
        public int $libraryId,
        public bool $blocked,
        public ?DateTimeImmutable $expiresAt,
        public int $loansOpen,
        public int $loansOpenOfFormat,
        public int $holdsOpen,
        public int $holdsOpenOfFormat,
        public ?OpenLoan $soonestDue = null,
        public ?string $blockReason = null,
    ) {}

    public function refusal(DateTimeImmutable $now): ?Refused
    {
        return match (true) {
            $this->blocked => new Refused(Refusal::CardBlocked, said: $this->blockReason),
            $this->expiresAt !== null && $this->expiresAt <= $now => new Refused(
                Refusal::CardExpired,
                at: $this->expiresAt,
            ),
            default => null,
        };
    }
}
