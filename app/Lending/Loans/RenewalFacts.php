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
use FigPorch\Core\Lending\LongerDecision;
use FigPorch\Core\Lending\Refused;
use FigPorch\Core\Lending\RenewalDecision;
use Illuminate\Support\Facades\DB;

/** What the decisions about a renewal and about a longer loan need, and the decisions. */
final class RenewalFacts
{
    /** @return array{Granted|Refused, bool} the decision, and whether it allows for others who wait */
    public function decide(Loan $loan, LendingFacts $facts, ?LoanLength $length, DateTimeImmutable $now): array
    {
        [$licence, $waiting, $free] = $this->line($loan, $facts, $now);

        return [
            RenewalDecision::decide(
                card: $facts->card,
                terms: $facts->terms,
                licence: $licence,
                dueAt: $loan->due_at,
                renewals: $loan->renewals,
                waiting: $waiting,
                copiesFree: $free,
                payPerLoan: $facts->payPerLoan,
                length: $length,
                libraryZone: $facts->zone,
                now: $now,
            ),
            $free > 0,
        ];
    }

    /** @return array{Granted|Refused, bool} whether a short look may become a loan of days, likewise */
    public function longer(Loan $loan, LendingFacts $facts, ?LoanLength $length, DateTimeImmutable $now): array
    {
        [$licence, $waiting, $free] = $this->line($loan, $facts, $now);

        return [
            LongerDecision::decide(
                card: $facts->card,
                terms: $facts->terms,
                licence: $licence,
                was: LoanLength::parse($loan->length),
                startedAt: $loan->started_at,
                waiting: $waiting,
                copiesFree: $free,
                length: $length,
                libraryZone: $facts->zone,
                now: $now,
            ),
            $free > 0,
        ];
    }

    /** @return array{Licence, int, int} the loan's licence, holds of others that wait for it, copies that are free */
    private function line(Loan $loan, LendingFacts $facts, DateTimeImmutable $now): array
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
                where h.title_id = ? and h.card_id <> ? and h.state = 'waiting' and licence_serves(li.shared, o, lib)",
            [$loan->licence_id, $loan->title_id, $loan->card_id],
        );
        $free = array_sum(
            array_map(fn(Licence $l): int => $l->isLive($now) ? (int) $l->copiesFree : 0, $facts->licences),
        );

        return [$licence, (int) $waiting, (int) $free];
    }
}
