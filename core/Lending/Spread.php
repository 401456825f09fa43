<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

use DateTimeImmutable;
use DateTimeZone;

/**
 * Holds that would come while a card has as many loans as it may: until when each would have to be paused to find room.
 */
final class Spread
{
    /**
     * @param  list<DateTimeImmutable>  $ends  when the card's open loans end
     * @param  array<int, DateTimeImmutable>  $arrivals  when its holds are expected, by hold
     * @param  LoanLength  $length  of the loans that the holds will become
     * @return array<int, DateTimeImmutable> by hold, only those that find no room
     */
    public static function pauses(
        array $ends,
        array $arrivals,
        int $limit,
        LoanLength $length,
        DateTimeZone $libraryZone,
    ): array {
        asort($arrivals);
        $pauses = [];
        foreach ($arrivals as $hold => $at) {
            sort($ends);
            $open = array_values(array_filter($ends, fn(DateTimeImmutable $end): bool => $end > $at));
            if (count($open) >= $limit) {
                $at = $open[count($open) - $limit];
                $pauses[$hold] = $at;
            }
            $ends[] = $length->dueAt($at, $libraryZone);
        }

        return $pauses;
    }
}
