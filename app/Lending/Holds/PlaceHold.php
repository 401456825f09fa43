<?php

declare(strict_types=1);

namespace App\Lending\Holds;

use App\Lending\Borrowing\CountTurnaway;
use App\Lending\Borrowing\LendingFacts;
use App\Lending\Licences\UsableLicences;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Lending\HoldDecision;
use FigPorch\Core\Lending\Refusal;
use FigPorch\Core\Lending\Refused;
use Illuminate\Support\Facades\DB;

/**
 * Puts a card in line. The licence rows are taken before the last look, so that a copy that comes back at this moment
 * is either seen here or given to this hold.
 */
final class PlaceHold
{
    public function __construct(
        private readonly UsableLicences $licences,
        private readonly CountTurnaway $countTurnaway,
    ) {}

    /**
     * @param  bool  $borrowAtOnce  borrow it for the patron when a copy comes, if the card is under its limit
     * @param  bool  $evenIfFree  the line is formed before the copies of a new licence are given out
     * @return int|Refused the id of the hold
     */
    public function __invoke(
        int $cardId,
        int $titleId,
        DateTimeImmutable $now,
        bool $borrowAtOnce = false,
        bool $evenIfFree = false,
    ): int|Refused {
        return DB::transaction(function () use ($cardId, $titleId, $now, $borrowAtOnce, $evenIfFree): int|Refused {
            $libraryId = DB::selectOne('select library_id from cards where id = ? for no key update', [$cardId])
                ->library_id;
            $locked = $this->licences->of($libraryId, [$titleId], $now, locked: true)[$titleId];
            $facts = LendingFacts::load($cardId, $titleId, $now);
            $refused = HoldDecision::refusal(
                card: $facts->card,
                terms: $facts->terms,
                titleAudience: $facts->audience,
                licences: $locked,
                // Who has it for an hour may wait for the next copy meanwhile.
                alreadyOnLoan: $facts->openLoanId !== null && !$facts->isShortLook,
                alreadyHeld: $facts->holdId !== null,
                payPerLoan: $facts->payPerLoan,
                now: $now,
                evenIfFree: $evenIfFree,
            );
            if ($refused !== null) {
                ($this->countTurnaway)($libraryId, $titleId, $refused->reason, $now);

                return $refused;
            }
            if (!$evenIfFree) {
                ($this->countTurnaway)($libraryId, $titleId, Refusal::NoCopyFree, $now);
            }
            DB::update('update cards set holds_open = holds_open + 1 where id = ?', [$cardId]);
            $at = Sql::timestamp($now);

            // The line's own clock: never before a hold that was placed in the same microsecond.
            return DB::selectOne(
                "insert into holds (card_id, library_id, title_id, state, borrow_at_once, placed_at, line_at)
                    select ?, ?, ?, 'waiting', ?::boolean, ?, greatest(?::timestamptz,
                        (select max(line_at) + interval '1 microsecond' from holds
                        where title_id = ? and closed_at is null)) returning id",
                [$cardId, $libraryId, $titleId, $borrowAtOnce ? 't' : 'f', $at, $at, $titleId],
            )->id;
        }, attempts: 5);
    }
}
