<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

use DateTimeImmutable;
use InvalidArgumentException;

/** A licence as it stands at one moment. */
final readonly class Licence
{
    /**
     * @param  int|null  $copies  concurrent loans allowed; null where the model has no copies
     * @param  int|null  $copiesFree  copies neither on loan nor kept for a hold
     * @param  int|null  $loansLeft  loans still to be had; for pay per loan, those the month's budget still pays for
     * @param  bool  $onOrder  the file of its title has not come: nothing to lend, but a line to stand in
     */
    public function __construct(
        public int $id,
        public int $libraryId,
        public LicenceModel $model,
        public ?int $copies,
        public ?int $copiesFree,
        public ?int $loansLeft,
        public DateTimeImmutable $startsAt,
        public ?DateTimeImmutable $endsAt,
        public bool $onOrder = false,
    ) {
        if ($model->hasCopies() !== ($copies !== null && $copiesFree !== null)) {
            throw new InvalidArgumentException("A {$model->value} licence has copies exactly when its model does.");
        }
        if (($model->countsLoans() || $model === LicenceModel::PayPerLoan) && $loansLeft === null) {
            throw new InvalidArgumentException("A {$model->value} licence says how many loans are left.");
        }
    }

    public function isLive(DateTimeImmutable $now): bool
    {
        return !$this->onOrder &&
            $this->startsAt <= $now &&
            ($this->endsAt === null || $this->endsAt > $now) &&
            ($this->loansLeft === null || $this->loansLeft > 0);
    }

    /** Live, and a copy free where the model needs one. */
    public function canLend(DateTimeImmutable $now): bool
    {
        return $this->isLive($now) && ($this->copiesFree === null || $this->copiesFree > 0);
    }

    /**
     * May still lend some day, if not now: started or yet to start. A month's budget is renewed, loans bought are not.
     */
    public function hasFuture(DateTimeImmutable $now): bool
    {
        return ($this->endsAt === null || $this->endsAt > $now) &&
            ($this->loansLeft === null || $this->loansLeft > 0 || $this->model === LicenceModel::PayPerLoan);
    }

    /** Whether a hold on the title can be filled from this licence some day. */
    public function canFillHolds(DateTimeImmutable $now): bool
    {
        return $this->model->takesHolds() && $this->hasFuture($now);
    }
}
