<?php

declare(strict_types=1);

namespace App\Desk\Patrons;

use App\Desk\Trail\ChangeKind;
use App\Desk\Trail\RecordChange;
use App\Lending\Holds\CloseHold;
use App\Lending\Loans\ReturnLoan;
use App\Models\Card;
use App\Models\Hold;
use App\Models\Loan;
use App\Models\StaffMember;
use App\Shared\TitleNames;
use DateTimeImmutable;
use FigPorch\Core\Lending\HoldState;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/** What a card has on loan and in line by name, for a patron who asks; which titles is not written down. */
final class HelpWithLoans
{
    public function __construct(
        private readonly RecordChange $recordChange,
        private readonly ReturnLoan $returnLoan,
        private readonly CloseHold $closeHold,
    ) {}

    /** @return array{loans: Collection<int, Loan>, holds: Collection<int, Hold>} */
    public function __invoke(StaffMember $by, Card $card, DateTimeImmutable $now): array
    {
        ($this->recordChange)($by, ChangeKind::CardHelped, $card, [], $now);
        $loans = $card->loans()->whereNull('ended_at')->orderBy('due_at')->get();
        $holds = $card->holds()->whereNull('closed_at')->orderBy('line_at')->get();
        TitleNames::bring($loans);
        TitleNames::bring($holds);

        return ['loans' => $loans, 'holds' => $holds];
    }

    public function returnLoan(StaffMember $by, Card $card, Loan $loan, DateTimeImmutable $now): void
    {
        DB::transaction(function () use ($by, $card, $loan, $now): void {
            ($this->returnLoan)($loan->id, $now) &&
                ($this->recordChange)($by, ChangeKind::CardReturned, $card, [], $now);
        });
    }

    public function cancelHold(StaffMember $by, Card $card, Hold $hold, DateTimeImmutable $now): void
    {
        DB::transaction(function () use ($by, $card, $hold, $now): void {
            ($this->closeHold)($hold->id, HoldState::Cancelled, $now) &&
                ($this->recordChange)($by, ChangeKind::CardCancelled, $card, [], $now);
        });
    }
}
