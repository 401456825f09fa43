<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

use DateTimeImmutable;

/** Which of a title's licences a loan is taken from. */
final class SpendingOrder
{
    /** @param  iterable<Licence>  $licences */
    public static function choose(iterable $licences, DateTimeImmutable $now): ?Licence
    {
        $best = null;
        foreach ($licences as $licence) {
            if ($licence->canLend($now) && ($best === null || self::key($licence, $now) < self::key($best, $now))) {
                $best = $licence;
            }
        }

        return $best;
    }

    /**
     * Simultaneous first; then what perishes first; then one copy / one user; then loans counted, most left per day
     * left first; pay per loan last; within equals the oldest.
     *
     * @return array{int, float|int, int}
     */
    private static function key(Licence $licence, DateTimeImmutable $now): array
    {
        return match (true) {
            $licence->model === LicenceModel::Simultaneous => [0, 0, $licence->id],
            $licence->model === LicenceModel::PayPerLoan => [4, 0, $licence->id],
            $licence->model->countsLoans() => [3, -self::loansPerDay($licence, $now), $licence->id],
            $licence->endsAt !== null => [1, $licence->endsAt->getTimestamp(), $licence->id],
            default => [2, 0, $licence->id],
        };
    }

    private static function loansPerDay(Licence $licence, DateTimeImmutable $now): float
    {
        return $licence->endsAt === null
            ? 0.0
            : (int) $licence->loansLeft / (($licence->endsAt->getTimestamp() - $now->getTimestamp()) / 86400);
    }
}
