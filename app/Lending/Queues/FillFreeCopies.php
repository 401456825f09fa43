<?php

declare(strict_types=1);

namespace App\Lending\Queues;

use App\Lending\Licences\UsableLicences;
use App\Shared\Sql;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/** Gives a licence's free copies to those in line: when copies are added, a licence starts, or a pause is over. */
final class FillFreeCopies
{
    /** Licences with something to give and somebody waiting; for a moment. */
    private const FILLABLE = "select li.id from licences li where (li.copies_free > 0 or li.model = 'simultaneous')
        and licence_is_live(li, ?)
        and li.title_id in (select title_id from holds where state = 'waiting')
        and exists (select from holds h join libraries o on o.id = li.library_id join libraries lib
            on lib.id = h.library_id
            where h.title_id = li.title_id and h.state = 'waiting' and licence_serves(li.shared, o, lib))";

    public function __construct(private readonly AssignFreedCopy $assignFreedCopy) {}

    /** All licences of a title that have a copy to give. */
    public function ofTitle(int $titleId, DateTimeImmutable $now): void
    {
        $at = Sql::timestamp($now);
        foreach (DB::select(self::FILLABLE . ' and li.title_id = ? order by li.id', [$at, $titleId]) as $licence) {
            $this($licence->id, $now);
        }
    }

    /** All that time has made fillable: pauses that are over, licences that have begun. */
    public function everywhere(DateTimeImmutable $now): void
    {
        $at = Sql::timestamp($now);
        foreach (DB::select(self::FILLABLE . ' order by li.id', [$at]) as $licence) {
            $this($licence->id, $now);
        }
    }

    /** @return int how many holds became ready */
    public function __invoke(int $licenceId, DateTimeImmutable $now): int
    {
        return DB::transaction(function () use ($licenceId, $now): int {
            $licence = UsableLicences::fromRow(
                DB::selectOne('select * from licences where id = ? for no key update', [$licenceId]),
            );
            $titleId = DB::scalar('select title_id from licences where id = ?', [$licenceId]);
            $lendable =
                $licence->canLend($now) && $licence->model->takesHolds()
                    ? min($licence->copiesFree ?? PHP_INT_MAX, $licence->loansLeft ?? PHP_INT_MAX)
                    : 0;
            $kept = 0;
            while ($kept < $lendable && $this->assignFreedCopy->keepForNext($licence, $titleId, $now)) {
                $kept++;
            }
            if ($kept > 0) {
                DB::update(
                    'update licences set copies_free = copies_free - ?, loans_left = loans_left - ? where id = ?',
                    [$kept, $kept, $licenceId],
                );
            }

            return $kept;
        }, attempts: 5);
    }
}
