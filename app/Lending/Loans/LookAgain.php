<?php

declare(strict_types=1);

namespace App\Lending\Loans;

use App\Models\Loan;
use App\Shared\SqlState;
use Closure;
use FigPorch\Core\Lending\Granted;
use FigPorch\Core\Lending\Refused;
use Illuminate\Database\QueryException;

/**
 * Changes an open loan without locks: reads, decides, and writes only if what was read still holds; else looks again.
 */
final class LookAgain
{
    private const TRIES = 5;

    private const CHANGED = [SqlState::LimitReached, SqlState::ChangedMeanwhile, SqlState::Deadlock];

    /**
     * @param  Closure(): array{Granted|Refused, Closure(Granted): mixed}  $decide  with the loan as it is now: the
     *     decision, and what writes it if it is granted
     */
    public static function until(Loan $loan, Closure $decide): Granted|Refused
    {
        for ($try = 1; ; $try++) {
            $loan->refresh();
            [$decision, $write] = $decide();
            if ($decision instanceof Refused) {
                return $decision;
            }
            try {
                $write($decision);

                return $decision;
            } catch (QueryException $changed) {
                if ($try >= self::TRIES || !in_array(SqlState::of($changed), self::CHANGED, true)) {
                    throw $changed;
                }
            }
        }
    }
}
