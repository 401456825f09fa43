<?php

declare(strict_types=1);

namespace App\Lending\Holds;

use App\Account\Notices\GiveNotice;
use App\Lending\Borrowing\BorrowTitle;
use App\Lending\Queues\KeptCopy;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Lending\NoticeKind;
use Illuminate\Support\Facades\DB;

/**
 * Borrows for a patron who asked for it when they placed the hold; at their limit they are told that a copy is ready
 * instead.
 */
final class BorrowForHold
{
    public function __construct(private readonly BorrowTitle $borrow, private readonly GiveNotice $giveNotice) {}

    public function __invoke(int $holdId, DateTimeImmutable $now): void
    {
        $hold = DB::selectOne(
            "select h.card_id, h.title_id, h.kept_until, c.person_id, t.name, lib.timezone from holds h
                join cards c on c.id = h.card_id
                join titles t on t.id = h.title_id join libraries lib on lib.id = c.library_id
                where h.id = ? and h.state = 'ready' and h.borrow_at_once and h.kept_until > ?",
            [$holdId, Sql::timestamp($now)],
        );
        if ($hold === null) {
            return;
        }
        // Loan, flag and notice in one transaction: a job that dies leaves the hold as it was, for the next tick.
        DB::transaction(function () use ($holdId, $hold, $now): void {
            $loan = ($this->borrow)($hold->card_id, $hold->title_id, null, $now);
            DB::update('update holds set borrow_at_once = false where id = ?', [$holdId]);
            if (is_int($loan)) {
                ($this->giveNotice)(
                    $hold->person_id,
                    NoticeKind::HoldBorrowed,
                    "hold-borrowed:{$holdId}",
                    [
                        'title' => $hold->title_id,
                        'name' => $hold->name,
                        'due' => (new DateTimeImmutable(
                            DB::scalar('select due_at from loans where id = ?', [$loan]),
                        ))->format(DATE_ATOM),
                        'timezone' => $hold->timezone,
                    ],
                    $now,
                );
            } else {
                $notice = KeptCopy::noticeOf(
                    holdId: $holdId,
                    personId: $hold->person_id,
                    titleId: $hold->title_id,
                    name: $hold->name,
                    until: new DateTimeImmutable($hold->kept_until),
                    timezone: $hold->timezone,
                );
                $this->giveNotice->many(NoticeKind::HoldReady, [$notice], $now);
            }
        }, attempts: 5);
    }
}
