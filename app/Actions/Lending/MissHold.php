<?php

declare(strict_types=1);

namespace App\Actions\Lending;

use App\Actions\Account\GiveNotice;
use DateTimeImmutable;
use FigPorch\Core\Lending\HoldState;
use FigPorch\Core\Lending\MissedHold;
use Illuminate\Support\Facades\DB;

/** A ready hold was not taken in time: its copy goes on, and it drops back or lapses as the rules say. */
final class MissHold
{
    public function __construct(
        private readonly PassCopyOn $passCopyOn,
        private readonly CloseHold $closeHold,
        private readonly GiveNotice $giveNotice,
    ) {
    }

    public function __invoke(int $holdId, DateTimeImmutable $now): void
    {
        DB::transaction(function () use ($holdId, $now): void {
            $card = DB::selectOne('select id, person_id from cards where id = (select card_id from holds where id = ?) for no key update', [$holdId]);
            $hold = DB::selectOne(
                "select h.*, t.name from holds h join titles t on t.id = h.title_id
                    where h.id = ? and h.state = 'ready' and h.kept_until <= ? for no key update of h",
                [$holdId, $now->format('Y-m-d H:i:s.uP')],
            );
            if ($card === null || $hold === null) {
                return;
            }
            $missed = MissedHold::after($hold->misses, $now);
            ($this->giveNotice)($card->person_id, $missed->lapses ? 'hold_lapsed' : 'hold_missed', "hold-missed:{$holdId}:{$hold->misses}", [
                'title' => $hold->title_id,
                'name' => $hold->name,
            ], $now);
            if ($missed->lapses) {
                ($this->closeHold)($holdId, HoldState::Lapsed, $now);

                return;
            }
            // Behind the next waiting patron, if there is one.
            $next = DB::selectOne(
                "select line_at from holds where title_id = ? and state = 'waiting' order by line_at, id limit 1",
                [$hold->title_id],
            );
            DB::update(
                "update holds set state = 'paused', misses = misses + 1, kept_until = null, licence_id = null, paused_until = ?,
                    line_at = coalesce(greatest(line_at, ?::timestamptz + interval '1 microsecond'), line_at) where id = ?",
                [$missed->pausedUntil?->format('Y-m-d H:i:s.uP'), $next->line_at ?? null, $holdId],
            );
            ($this->passCopyOn)($hold->licence_id, $hold->title_id, $now, loanSpent: false);
        }, attempts: 5);
    }
}
