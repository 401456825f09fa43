<?php

declare(strict_types=1);

namespace App\Actions\Lending;

use App\Queries\Lending\CardAndTitle;
use App\Queries\Lending\UsableLicences;
use DateTimeImmutable;
use FigPorch\Core\Lending\HoldDecision;
use FigPorch\Core\Lending\Refusal;
use FigPorch\Core\Lending\Refused;
use Illuminate\Support\Facades\DB;

/**
 * Puts a card in line. The licence rows are taken before the last look, so that a copy that comes back at this moment is
 * either seen here or given to this hold.
 */
final class PlaceHold
{
    public function __construct(private readonly UsableLicences $licences, private readonly CountTurnaway $countTurnaway)
    {
    }

    /** @return int|Refused the id of the hold */
    public function __invoke(int $cardId, int $titleId, DateTimeImmutable $now): int|Refused
    {
        return DB::transaction(function () use ($cardId, $titleId, $now): int|Refused {
            $libraryId = DB::selectOne('select library_id from cards where id = ? for no key update', [$cardId])->library_id;
            $locked = $this->licences->of($libraryId, [$titleId], locked: true)[$titleId];
            $facts = CardAndTitle::load($cardId, $titleId, $now);
            $refused = HoldDecision::refusal(
                $facts->card, $facts->terms, $facts->audience, $locked,
                $facts->openLoanId !== null, $facts->holdId !== null, $now,
            );
            if ($refused !== null) {
                ($this->countTurnaway)($libraryId, $titleId, $refused->reason, $now);

                return $refused;
            }
            ($this->countTurnaway)($libraryId, $titleId, Refusal::NoCopyFree, $now);
            DB::update('update cards set holds_open = holds_open + 1 where id = ?', [$cardId]);
            $at = $now->format('Y-m-d H:i:s.uP');

            // The line's own clock: never before a hold that was placed in the same microsecond.
            return DB::selectOne(
                "insert into holds (card_id, library_id, title_id, state, placed_at, line_at)
                    select ?, ?, ?, 'waiting', ?, greatest(?::timestamptz, (select max(line_at) + interval '1 microsecond' from holds
                        where title_id = ? and closed_at is null)) returning id",
                [$cardId, $libraryId, $titleId, $at, $at, $titleId],
            )->id;
        }, attempts: 5);
    }
}
