<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

use DateTimeImmutable;

/** Which of a title's licences a loan is taken from. */
final class SpendingOrder
{
    /**
     * @param  iterable<Licence>  $licences
     * @param  int  $libraryId  the library of the card
     */
    public static function choose(iterable $licences, int $libraryId, DateTimeImmutable $now): ?Licence
    {
        $best = null;
        foreach ($licences as $licence) {
            if (
                $licence->canLend($now) &&
                ($best === null || self::key($licence, $libraryId, $now) < self::key($best, $libraryId, $now))
            ) {
                $best = $licence;
            }
        }

        return $best;
    }

    /**
     * Simultaneous first and pay per loan last; between them the library's own copies before those that others share;
     * of these what perishes first; then one copy / one user; then loans counted, most left per day left first; within
     * equals the oldest.
     *
     * @return array{int, int, float|int, int}
     */
    private static function key(Licence $licence, int $libraryId, DateTimeImmutable $now): array
    {
        $of = $licence->libraryId === $libraryId ? 1 : 2;

        return match (true) {
            $licence->model === LicenceModel::Simultaneous => [0, 0, 0, $licence->id],
            $licence->model === LicenceModel::PayPerLoan => [3, 0, 0, $licence->id],
            $licence->model->countsLoans() => [$of, 3, -self::loansPerDay($licence, $now), $licence->id],
            $licence->endsAt !== null => [$of, 1, $licence->endsAt->getTimestamp(), $licence->id],
            default => [$of, 2, 0, $licence->id],
        };
    }

    private static function loansPerDay(Licence $licence, DateTimeImmutable $now): float
    {
        return $licence->endsAt === null
            ? 0.0
            : (int) $licence->loansLeft / (($licence->endsAt->getTimestamp() - $now->getTimestamp()) / 86400);
    }
}
