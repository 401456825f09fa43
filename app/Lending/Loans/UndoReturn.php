<?php

declare(strict_types=1);

namespace App\Lending\Loans;

use App\Shared\Sql;
use DateTimeImmutable;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;

/** Takes a return back, for as long as the copy has gone to nobody else. */
final class UndoReturn
{
    /** How long after a return it can be taken back. */
    private const MINUTES = 30;

    public function __invoke(int $loanId, DateTimeImmutable $now): bool
    {
        $since = Sql::timestamp($now->modify('-' . self::MINUTES . ' minutes'));
        try {
            return DB::transaction(function () use ($loanId, $now, $since): bool {
                DB::select(
                    'select id from cards where id = (select card_id from loans where id = ?) for no key update',
                    [$loanId],
                );
                $loan = DB::selectOne(
                    "update loans set ended_at = null, end_reason = null
                        where id = ? and end_reason = 'returned' and ended_at > ? and due_at > ?
                        and card_id is not null returning card_id, licence_id",
                    [$loanId, $since, Sql::timestamp($now)],
                );
                if ($loan === null) {
                    return false;
                }
                DB::update('update cards set loans_open = loans_open + 1 where id = ?', [$loan->card_id]);
                $taken = DB::update(
                    'update licences set copies_free = copies_free - 1
                        where id = ? and (copies_free is null or copies_free > 0)',
                    [$loan->licence_id],
                );

                return $taken === 1 ?: throw new CopyGone();
            });
        } catch (CopyGone) {
            return false;
        } catch (QueryException $borrowedAgain) {
            return $borrowedAgain->getCode() === '23505' ? false : throw $borrowedAgain;
        }
    }
}
