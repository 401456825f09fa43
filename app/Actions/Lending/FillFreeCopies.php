<?php

declare(strict_types=1);

namespace App\Actions\Lending;

use App\Queries\Lending\UsableLicences;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/** Gives a licence's free copies to those in line: when copies are added, a licence starts, or a pause is over. */
final class FillFreeCopies
{
    public function __construct(private readonly PassCopyOn $passCopyOn)
    {
    }

    /** @return int how many holds became ready */
    public function __invoke(int $licenceId, DateTimeImmutable $now): int
    {
        return DB::transaction(function () use ($licenceId, $now): int {
            $licence = UsableLicences::fromRow(DB::selectOne('select * from licences where id = ? for no key update', [$licenceId]));
            $titleId = DB::scalar('select title_id from licences where id = ?', [$licenceId]);
            $lendable = $licence->canLend($now) ? min($licence->copiesFree ?? 0, $licence->loansLeft ?? PHP_INT_MAX) : 0;
            $kept = 0;
            while ($kept < $lendable && $this->passCopyOn->keepForNext($licenceId, $licence->libraryId, $titleId, $now)) {
                $kept++;
            }
            if ($kept > 0) {
                DB::update('update licences set copies_free = copies_free - ?, loans_left = loans_left - ? where id = ?', [$kept, $kept, $licenceId]);
            }

            return $kept;
        }, attempts: 5);
    }
}
