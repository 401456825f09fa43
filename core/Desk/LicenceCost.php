<?php

declare(strict_types=1);

namespace FigPorch\Core\Desk;

use DateTimeImmutable;
use FigPorch\Core\Lending\Licence;
use FigPorch\Core\Lending\LicenceModel;

/**
 * The same money in each licence model, compared by what an expected loan costs. A copy gives one loan in each cycle,
 * from one loan to its next, for as long as there is demand (elementary renewal theorem: D. R. Cox, Renewal Theory,
 * 1962, ch. 4); what the library's other licences can serve is not counted as a gain.
 */
final readonly class LicenceCost
{
    private const DAY = 86400;

    /**
     * @param  float  $cycleDays  from one loan of a copy to its next
     * @param  list<Licence>  $others  that the library has of the title
     * @param  float  $horizonDays  the time looked at, where a licence does not end before
     */
    public function __construct(
        private Demand $demand,
        private float $cycleDays,
        private array $others,
        private float $horizonDays,
        private DateTimeImmutable $now,
    ) {}

    /** No more is bought than there are loans to expect: at least one, if the money is enough. */
    public function of(Offer $offer, int $moneyCents): OfferValue
    {
        $life = min($offer->days ?? $this->horizonDays, $this->horizonDays);
        $gain = max(0.0, $this->demand->waiting + $this->demand->perDay * $life - $this->served($life));
        $affordable = intdiv($moneyCents, $offer->priceCents);
        $each = match ($offer->model) {
            LicenceModel::PayPerLoan => 1.0,
            LicenceModel::Simultaneous => $gain,
            default => min(((int) $offer->copies * $life) / $this->cycleDays, $offer->loans ?? INF),
        };
        $wanted = $each > 0 ? (int) ceil($gain / $each) : 0;
        $units = min($affordable, $offer->model === LicenceModel::PayPerLoan ? $wanted : max(1, $wanted));
        $loans = min($gain, $units * $each);

        // Of pay per loan only those loans are bought that are made.
        $paid = $offer->priceCents * ($offer->model === LicenceModel::PayPerLoan ? $loans : $units);

        return new OfferValue($offer, $units, $loans, $loans > 0 ? $paid / $loans : null);
    }

    /**
     * Loans that the other licences can give in so many days; pay per loan is the last resort that a licence replaces.
     */
    private function served(float $life): float
    {
        $served = 0.0;
        foreach ($this->others as $licence) {
            $from = max(0.0, ($licence->startsAt->getTimestamp() - $this->now->getTimestamp()) / self::DAY);
            $to =
                $licence->endsAt === null
                    ? $life
                    : min($life, ($licence->endsAt->getTimestamp() - $this->now->getTimestamp()) / self::DAY);
            if ($to <= $from || $licence->model === LicenceModel::PayPerLoan) {
                continue;
            }
            $served +=
                $licence->model === LicenceModel::Simultaneous
                    ? INF
                    : min(((int) $licence->copies * ($to - $from)) / $this->cycleDays, $licence->loansLeft ?? INF);
        }

        return $served;
    }
}
