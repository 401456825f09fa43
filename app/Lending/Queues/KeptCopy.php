<?php

declare(strict_types=1);

namespace App\Lending\Queues;

use App\Shared\Sql;
use DateTimeImmutable;
use stdClass;

/** A copy that is to be kept for a hold. */
final readonly class KeptCopy
{
    /**
     * @param  stdClass  $hold  as "next" of lending_next_in_line
     * @param  int  $loans  how many of the licence's counted loans are kept with it
     */
    public function __construct(
        public stdClass $hold,
        public int $licenceId,
        public DateTimeImmutable $until,
        public int $loans,
    ) {}

    /** @return array{hold: int, licence: int, until: string, loans: int} for lending_keep */
    public function toRow(): array
    {
        return [
            'hold' => $this->hold->id,
            'licence' => $this->licenceId,
            'until' => Sql::timestamp($this->until),
            'loans' => $this->loans,
        ];
    }

    /** @return array{person: int, event: string, facts: array<string, string|int>} */
    public function notice(): array
    {
        return self::noticeOf(
            holdId: $this->hold->id,
            personId: $this->hold->person,
            titleId: $this->hold->title,
            name: $this->hold->name,
            until: $this->until,
            timezone: $this->hold->timezone,
        );
    }

    /**
     * @return array{person: int, event: string, facts: array<string, string|int>} what GiveNotice takes to tell that a
     *     hold is ready
     */
    public static function noticeOf(
        int $holdId,
        int $personId,
        int $titleId,
        string $name,
        DateTimeImmutable $until,
        string $timezone,
    ): array {
        return [
            'person' => $personId,
            'event' => "hold-ready:{$holdId}:{$until->getTimestamp()}",
            'facts' => [
                'title' => $titleId,
                'name' => $name,
                'kept_until' => $until->format(DATE_ATOM),
                'timezone' => $timezone,
            ],
        ];
    }
}
