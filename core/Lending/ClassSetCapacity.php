<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

use DateTimeImmutable;

/**
 * Whether every pupil of a class can have a title between two moments: all at once, or one after the other. A copy is
 * lent as often as a cycle, from one of its loans to the next, goes into the time, once at least; whoever waits in line
 * already comes first. Copies on loan now are counted as if they were free: a class set is about days to come.
 */
final readonly class ClassSetCapacity
{
    private const DAY = 86400;

    /**
     * @param  int|null  $places  pupils who can have it at the same moment; null for any number
     * @param  int|null  $loans  that the time has room for, those of the line before it taken off; null for any number
     * @param  int  $copiesForAll  more copies with which all could have it at once
     * @param  int  $copiesInTurn  more copies with which each could have it in turn
     */
    private function __construct(
        public int $pupils,
        public ?int $places,
        public ?int $loans,
        public int $copiesForAll,
        public int $copiesInTurn,
    ) {}

    /**
     * @param  list<Licence>  $licences  that the library's patrons may use
     * @param  int  $waiting  holds in line now
     * @param  float  $cycleDays  from one loan of a copy to its next
     */
    public static function of(
        int $pupils,
        array $licences,
        int $waiting,
        float $cycleDays,
        DateTimeImmutable $from,
        DateTimeImmutable $to,
    ): self {
        $places = 0;
        $loans = 0;
        foreach ($licences as $licence) {
            $begins = max($from, $licence->startsAt);
            $ends = $licence->endsAt === null ? $to : min($to, $licence->endsAt);
            if ($begins >= $ends || ($licence->loansLeft !== null && $licence->loansLeft <= 0)) {
                continue;
            }
            if ($licence->model === LicenceModel::Simultaneous) {
                return new self($pupils, null, null, 0, 0);
            }
            $lent = self::loansOfACopy(($ends->getTimestamp() - $begins->getTimestamp()) / self::DAY, $cycleDays);
            $most = $licence->copies === null ? PHP_INT_MAX : $licence->copies * $lent;
            $loans += min($most, $licence->loansLeft ?? PHP_INT_MAX);
            $places += min($licence->copies ?? PHP_INT_MAX, $licence->loansLeft ?? PHP_INT_MAX);
        }
        $loans = max(0, $loans - $waiting);
        $ofACopy = self::loansOfACopy(($to->getTimestamp() - $from->getTimestamp()) / self::DAY, $cycleDays);

        return new self(
            $pupils,
            $places,
            $loans,
            max(0, $pupils - $places),
            (int) ceil(max(0, $pupils - $loans) / $ofACopy),
        );
    }

    public function holdsAtOnce(): bool
    {
        return $this->places === null || ($this->places >= $this->pupils && $this->holdsInTurn());
    }

    public function holdsInTurn(): bool
    {
        return $this->loans === null || $this->loans >= $this->pupils;
    }

    private static function loansOfACopy(float $days, float $cycleDays): int
    {
        return max(1, (int) floor($days / max(0.01, $cycleDays)));
    }
}
