<?php

declare(strict_types=1);

namespace App\Lending\Expiry;

use App\Account\Notices\GiveNotice;
use App\Lending\Holds\CloseHold;
use App\Lending\LoanRules\LibraryRules;
use App\Lending\Queues\AssignFreedCopy;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\HoldState;
use FigPorch\Core\Lending\MissedHold;
use FigPorch\Core\Lending\NoticeKind;
use Illuminate\Support\Facades\DB;
use stdClass;

/** A ready hold was not taken in time: its copy goes on, and it drops back or lapses as the rules say. */
final class ExpireReadyHold
{
    public function __construct(
        private readonly AssignFreedCopy $assignFreedCopy,
        private readonly CloseHold $closeHold,
        private readonly GiveNotice $giveNotice,
        private readonly LibraryRules $rules,
    ) {}

    public function __invoke(int $holdId, DateTimeImmutable $now): void
    {
        DB::transaction(function () use ($holdId, $now): void {
            $card = DB::selectOne(
                'select id, person_id, library_id, patron_group from cards where id = (select card_id from holds
                    where id = ?) for no key update',
                [$holdId],
            );
            $hold = DB::selectOne(
                "select h.*, t.name, t.format, li.ends_at from holds h join titles t on t.id = h.title_id
                    join licences li on li.id = h.licence_id
                    where h.id = ? and h.state = 'ready' and h.kept_until <= ? for no key update of h",
                [$holdId, Sql::timestamp($now)],
            );
            if ($card === null || $hold === null) {
                return;
            }
            if ($hold->ends_at !== null && new DateTimeImmutable($hold->ends_at) <= $now) {
                $this->setBack($hold, $card->person_id, $now);

                return;
            }
            $kept =
                $hold->kept_seconds +
                (new DateTimeImmutable($hold->kept_until))->getTimestamp() -
                (new DateTimeImmutable($hold->ready_at))->getTimestamp();
            $hours = $this->rules->terms($card->library_id, $card->patron_group, Format::from($hold->format))
                ->holdKeptHours;
            $missed = MissedHold::after($hold->misses, $hours, $kept, $now);
            ($this->giveNotice)(
                $card->person_id,
                $missed->lapses ? NoticeKind::HoldLapsed : NoticeKind::HoldMissed,
                "hold-missed:{$holdId}:{$hold->misses}",
                [
                    'title' => $hold->title_id,
                    'name' => $hold->name,
                ],
                $now,
            );
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
                "update holds set state = 'paused', misses = misses + 1, kept_seconds = ?, kept_until = null,
                    licence_id = null, paused_until = ?,
                    line_at = coalesce(greatest(line_at, ?::timestamptz + interval '1 microsecond'), line_at)
                        where id = ?",
                [
                    $kept,
                    $missed->pausedUntil === null ? null : Sql::timestamp($missed->pausedUntil),
                    $next->line_at ?? null,
                    $holdId,
                ],
            );
            ($this->assignFreedCopy)($hold->licence_id, $hold->title_id, $now);
        }, attempts: 5);
    }

    /**
     * The copy's licence ended or was cut while it was kept: no miss of the patron's, who keeps the place in line.
     *
     * @param  bool  $pass  whether the copy is passed on, or the caller sees to it
     */
    public function setBack(stdClass $hold, int $personId, DateTimeImmutable $now, bool $pass = true): void
    {
        DB::update("update holds set state = 'waiting', kept_until = null, licence_id = null where id = ?", [
            $hold->id,
        ]);
        ($this->giveNotice)(
            $personId,
            NoticeKind::HoldSetBack,
            "hold-set-back:{$hold->id}:{$hold->kept_until}",
            ['title' => $hold->title_id, 'name' => $hold->name],
            $now,
        );
        if ($pass) {
            ($this->assignFreedCopy)($hold->licence_id, $hold->title_id, $now);
        }
    }
}
