<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

use DateTimeImmutable;
use DateTimeZone;
use SplMinHeap;

/**
 * "At the latest": when a copy comes to a place in line if every loan runs to its due time, each ready hold is taken at
 * its last minute, and each later loan takes the longest length offered.
 */
final class LatestTurn
{
    /**
     * @param  list<LineLicence>  $licences
     * @param  int  $place  1 for the next in line
     * @return DateTimeImmutable|null null when no copy is left before the turn comes
     */
    public static function at(
        array $licences,
        int $place,
        LoanLength $longest,
        int $holdKeptHours,
        DateTimeZone $libraryZone,
        DateTimeImmutable $now,
    ): ?DateTimeImmutable {
        /** @var SplMinHeap<array{int, int}> $free copy-free times with the licence each belongs to */
        $free = new SplMinHeap;
        $loansLeft = [];
        foreach ($licences as $i => $state) {
            $licence = $state->licence;
            if ($licence->model === LicenceModel::Simultaneous && $licence->hasFuture($now)) {
                return max($now, $licence->startsAt);
            }
            $loansLeft[$i] = $licence->loansLeft === null ? PHP_INT_MAX : $licence->loansLeft - count($state->readyUntil);
            $from = max($now, $licence->startsAt)->getTimestamp();
            for ($n = 0; $n < (int) $licence->copiesFree; $n++) {
                $free->insert([$from, $i]);
            }
            foreach ($state->dueAt as $due) {
                $free->insert([max($from, $due->getTimestamp()), $i]);
            }
            foreach ($state->readyUntil as $kept) {
                $free->insert([$longest->dueAt(max($now, $kept), $libraryZone)->getTimestamp(), $i]);
            }
        }

        while (! $free->isEmpty()) {
            [$time, $i] = $free->extract();
            $ends = $licences[$i]->licence->endsAt;
            if ($loansLeft[$i] < 1 || ($ends !== null && $ends->getTimestamp() <= $time)) {
                continue;
            }
            $turn = $now->setTimestamp($time);
            if (--$place === 0) {
                return $turn;
            }
            $loansLeft[$i]--;
            $taken = $turn->modify("+{$holdKeptHours} hours");
            $free->insert([$longest->dueAt($taken, $libraryZone)->getTimestamp(), $i]);
        }

        return null;
    }
}
