<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending\Forecast;

use DateTimeImmutable;
use FigPorch\Core\Lending\LineLicence;
use FigPorch\Core\Lending\WaitingHold;

/** What stands before one place in line. */
final readonly class Line
{
    /**
     * @param  list<LineLicence>  $licences  whose copies can come to this place
     * @param  list<WaitingHold>  $ahead  the holds before it, in order
     * @param  DateTimeImmutable|null  $pausedUntil  if this place itself is paused
     */
    public function __construct(
        public array $licences,
        public array $ahead,
        public ?DateTimeImmutable $pausedUntil = null,
    ) {}

    /** How the title's loans have ended, where that is known. */
    public function use(): ?TitleUse
    {
        return $this->licences[0]->use ?? null;
    }

    /** The same for the same state of the line, whatever the time of day. */
    public function seed(): int
    {
        $facts = [];
        foreach ($this->licences as $state) {
            $facts[] = [
                $state->licence->id,
                $state->licence->copiesFree,
                $state->licence->loansLeft,
                array_map(fn(DateTimeImmutable $t): int => $t->getTimestamp(), [
                    ...$state->dueAt,
                    ...$state->readyUntil,
                ]),
            ];
        }

        return crc32(
            json_encode([$facts, count($this->ahead), $this->pausedUntil?->getTimestamp()], JSON_THROW_ON_ERROR),
        );
    }
}
