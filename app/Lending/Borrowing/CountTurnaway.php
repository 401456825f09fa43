<?php

declare(strict_types=1);

namespace App\Lending\Borrowing;

use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Lending\Refusal;
use Illuminate\Support\Facades\DB;

/** Someone wanted a title and could not have it: counted by title and library, without the patron. */
final class CountTurnaway
{
    public function __invoke(int $libraryId, int $titleId, Refusal $reason, DateTimeImmutable $now): void
    {
        if ($reason->isTurnaway()) {
            DB::insert('insert into turnaways (library_id, title_id, reason, happened_at) values (?, ?, ?, ?)', [
                $libraryId,
                $titleId,
                $reason->value,
                Sql::second($now),
            ]);
            event(new TurnedAway($libraryId, $titleId, $reason));
        }
    }
}
