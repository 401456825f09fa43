<?php

declare(strict_types=1);

namespace App\Lending\Cards;

use App\Lending\Holds\CloseHold;
use App\Lending\Loans\ReturnLoan;
use App\Models\Card;
use DateTimeImmutable;
use FigPorch\Core\Lending\HoldState;
use Illuminate\Support\Facades\DB;
use InvalidArgumentException;

/**
 * One card of two of the same person at one library: loans, holds and requests of the other go over to the one that is
 * kept, and with the other's last card what is theirs besides: marks, baskets, places. Of what both have, the loan that
 * ends sooner is returned and the hold that is further back cancelled.
 */
final class MergeCards
{
    /** Tables of what is a card's: the columns that may be there once only, if any. A test knows all there are. */
    public const OF_THE_CARD = [
        'loans' => [],
        'holds' => [],
        'requests' => ['title_id'],
        'follows' => ['series_id'],
        'class_members' => ['class_id'],
        'classes' => [],
        'household_cards' => ['person_id'],
        'school_subjects' => [],
    ];

    /** What goes with the card that is given up: links to another PIN, and what a file or staff said of that number. */
    public const GIVEN_UP = ['pin_links', 'card_import_rows', 'desk_changes'];

    public function __construct(
        private readonly ReturnLoan $returnLoan,
        private readonly CloseHold $closeHold,
        private readonly JoinPeople $joinPeople,
    ) {}

    /** @return bool false where one of them is gone */
    public function __invoke(Card $keep, Card $other, DateTimeImmutable $now): bool
    {
        if ($keep->id === $other->id || $keep->library_id !== $other->library_id) {
            throw new InvalidArgumentException('Only two cards of one library are made one.');
        }

        return DB::transaction(function () use ($keep, $other, $now): bool {
            $locked = DB::select('select id from cards where id in (?, ?) order by id for update', [
                $keep->id,
                $other->id,
            ]);
            if (count($locked) < 2) {
                return false;
            }
            $this->endWhatBothHave($keep->id, $other->id, $now);
            foreach (self::OF_THE_CARD as $table => $once) {
                TakeOver::rows($table, 'card_id', $other->id, $keep->id, $once);
            }
            DB::update(
                'update cards set
                    loans_open = (select count(*) from loans where card_id = cards.id and ended_at is null),
                    holds_open = (select count(*) from holds where card_id = cards.id and closed_at is null),
                    pay_loans = case when cards.pay_month is not distinct from o.pay_month
                        then cards.pay_loans + o.pay_loans
                        when o.pay_month > coalesce(cards.pay_month, o.pay_month - 1) then o.pay_loans
                        else cards.pay_loans end,
                    pay_month = greatest(cards.pay_month, o.pay_month)
                    from cards o where cards.id = ? and o.id = ?',
                [$keep->id, $other->id],
            );
            DB::table('cards')->where('id', $other->id)->delete();
            ($this->joinPeople)($keep->person_id, $other->person_id);

            return true;
        }, attempts: 5);
    }

    private function endWhatBothHave(int $keep, int $other, DateTimeImmutable $now): void
    {
        $loans = DB::select(
            'select distinct on (a.title_id) case when a.due_at <= b.due_at then a.id else b.id end as id from loans a
                join loans b on b.title_id = a.title_id and b.card_id = ? and b.ended_at is null
                where a.card_id = ? and a.ended_at is null',
            [$other, $keep],
        );
        foreach ($loans as $loan) {
            ($this->returnLoan)($loan->id, $now);
        }
        // Twice in line; or in line for what the other card has on loan.
        $holds = DB::select(
            'select h.id from holds h where h.card_id in (:a, :b) and h.closed_at is null and (exists (select from holds
                o where o.title_id = h.title_id and o.card_id in (:c, :d) and o.id <> h.id and o.closed_at is null
                and (o.state = \'ready\', h.line_at, h.id) > (h.state = \'ready\', o.line_at, o.id))
                or exists (select from loans l where l.title_id = h.title_id and l.card_id in (:e, :f)
                and l.ended_at is null))',
            ['a' => $keep, 'b' => $other, 'c' => $keep, 'd' => $other, 'e' => $keep, 'f' => $other],
        );
        foreach ($holds as $hold) {
            ($this->closeHold)($hold->id, HoldState::Cancelled, $now);
        }
    }
}
