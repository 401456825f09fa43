<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

use DateTimeImmutable;
use DateTimeZone;
use SplMinHeap;

/**
 * "At the latest": when a copy comes to a place in line if every loan runs to its due time, each copy kept for a hold
 * is let go once and taken the next time at the last minute, and each later loan takes the longest length offered. A
 * hold that lets its copy go stands behind the next in line then (MissedHold): where it is the only one before this
 * place, this place has its turn.
 *
 * Only the library's own copies are counted: one that another library shares may go to that library's own line first.
 */
final class WorstCaseWait
{
    /**
     * @param  list<LineLicence>  $licences
     * @param  int  $place  1 for the next in line
     * @param  LoanLength  $longest  that anyone is offered who may stand before this place
     * @return DateTimeImmutable|null null when no copy is left before the turn comes
     */
    public static function at(
        array $licences,
        int $libraryId,
        int $place,
        LoanLength $longest,
        int $holdKeptHours,
        DateTimeZone $libraryZone,
        DateTimeImmutable $now,
    ): ?DateTimeImmutable {
        /** @var SplMinHeap<array{int, int}> $free copy-free times with the licence each belongs to */
        $free = new SplMinHeap();
        $loansLeft = [];
        $begins = null;
        $before =
            $place - 1 + array_sum(array_map(fn(LineLicence $state): int => count($state->readyUntil), $licences));
        foreach ($licences as $i => $state) {
            $licence = $state->licence;
            if ($licence->model === LicenceModel::Simultaneous && $licence->hasFuture($now)) {
                $begins = min($begins ?? $licence->startsAt, $licence->startsAt);
            }
            if ($licence->libraryId !== $libraryId || !$licence->model->hasCopies()) {
                continue;
            }
            $loansLeft[$i] = $licence->loansLeft ?? PHP_INT_MAX;
            $from = max($now, $licence->startsAt)->getTimestamp();
            for ($n = 0; $n < (int) $licence->copiesFree; $n++) {
                $free->insert([$from, $i]);
            }
            foreach ($state->dueAt as $due) {
                $free->insert([max($from, $due->getTimestamp()), $i]);
            }
            foreach ($state->readyUntil as $kept) {
                $free->insert([
                    $longest
                        ->dueAt(
                            max($now, $kept)->modify($place > 1 ? "+{$holdKeptHours} hours" : '+0 hours'),
                            $libraryZone,
                        )
                        ->getTimestamp(),
                    $i,
                ]);
            }
        }
        $turn = self::walk(
            licences: $licences,
            free: $free,
            loansLeft: $loansLeft,
            place: $place,
            longest: $longest,
            keptHours: $holdKeptHours * ($before > 1 ? 2 : 1),
            zone: $libraryZone,
            now: $now,
        );
        $begins = $begins === null ? null : max($now, $begins);

        return $turn !== null && $begins !== null ? min($turn, $begins) : $turn ?? $begins;
    }

    /**
     * @param  list<LineLicence>  $licences
     * @param  SplMinHeap<array{int, int}>  $free
     * @param  array<int, int>  $loansLeft
     * @param  int  $keptHours  for each hold before this place, until it has its loan
     */
    private static function walk(
        array $licences,
        SplMinHeap $free,
        array $loansLeft,
        int $place,
        LoanLength $longest,
        int $keptHours,
        DateTimeZone $zone,
        DateTimeImmutable $now,
    ): ?DateTimeImmutable {
        while (!$free->isEmpty()) {
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
            $taken = $turn->modify("+{$keptHours} hours");
            $free->insert([$longest->dueAt($taken, $zone)->getTimestamp(), $i]);
        }

        return null;
    }
}
