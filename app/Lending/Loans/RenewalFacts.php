<?php

declare(strict_types=1);

namespace App\Lending\Loans;

use App\Lending\Borrowing\LendingFacts;
use App\Lending\Licences\UsableLicences;
use App\Models\Loan;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Lending\Granted;
use FigPorch\Core\Lending\Licence;
use FigPorch\Core\Lending\LoanLength;
use FigPorch\Core\Lending\Refused;
use FigPorch\Core\Lending\RenewalDecision;
use Illuminate\Support\Facades\DB;

/** What the decision about a renewal needs, and the decision. */
final class RenewalFacts
{
    /** @return array{Granted|Refused, bool} the decision, and whether it allows for others who wait */
    public function decide(Loan $loan, LendingFacts $facts, ?LoanLength $length, DateTimeImmutable $now): array
    {
        $licence = UsableLicences::fromRow(
            DB::selectOne(
                "select li.*, case when li.model = 'pay_per_loan' then pay_per_loan_left(li.library_id, ?)
                    end as budget_left from licences li where li.id = ?",
                [Sql::second($now), $loan->licence_id],
            ),
        );
        $waiting = DB::scalar(
            "select count(*) from holds h join licences li on li.id = ? join libraries o on o.id = li.library_id
                join libraries lib on lib.id = h.library_id
                where h.title_id = ? and h.state = 'waiting' and licence_serves(li.shared, o, lib)",
            [$loan->licence_id, $loan->title_id],
        );
        $free = array_sum(
            array_map(fn(Licence $l): int => $l->isLive($now) ? (int) $l->copiesFree : 0, $facts->licences),
        );

        return [
            RenewalDecision::decide(
                card: $facts->card,
                terms: $facts->terms,
                licence: $licence,
                dueAt: $loan->due_at,
                renewals: $loan->renewals,
                waiting: (int) $waiting,
                copiesFree: (int) $free,
                payPerLoan: $facts->payPerLoan,
                length: $length,
                libraryZone: $facts->zone,
                now: $now,
            ),
            $free > 0,
        ];
    }
}
