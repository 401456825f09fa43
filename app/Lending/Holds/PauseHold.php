<?php

declare(strict_types=1);

namespace App\Lending\Holds;

use App\Lending\LoanRules\LibraryRules;
use App\Lending\Queues\AssignFreedCopy;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\HoldState;
use FigPorch\Core\Lending\PickupWindow;
use Illuminate\Support\Facades\DB;

/** Pauses a hold until a date; it keeps its place. A copy that was kept for it goes on: that is "not now". */
final class PauseHold
{
    public function __construct(
        private readonly AssignFreedCopy $assignFreedCopy,
        private readonly LibraryRules $rules,
    ) {}

    /** @return bool false when it was closed meanwhile, or copies were kept for it in vain long enough */
    public function __invoke(int $holdId, DateTimeImmutable $until, DateTimeImmutable $now): bool
    {
        return DB::transaction(function () use ($holdId, $until, $now): bool {
            $card = DB::selectOne(
                'select id, library_id, patron_group from cards where id = (select card_id from holds
                    where id = ?) for no key update',
                [$holdId],
            );
            $hold = DB::selectOne(
                'select h.*, t.format from holds h join titles t on t.id = h.title_id
                    where h.id = ? and h.closed_at is null for no key update of h',
                [$holdId],
            );
            if ($card === null || $hold === null) {
                return false;
            }
            $ready = $hold->state === HoldState::Ready->value;
            $kept =
                $hold->kept_seconds +
                ($ready ? max(0, $now->getTimestamp() - (new DateTimeImmutable($hold->ready_at))->getTimestamp()) : 0);
            $hours = $this->rules->terms($card->library_id, $card->patron_group, Format::from($hold->format))
                ->holdKeptHours;
            if ($ready && !PickupWindow::allowsAnother($hours, $kept)) {
                return false;
            }
            DB::update(
                "update holds set state = 'paused', paused_until = ?, kept_until = null, licence_id = null,
                    kept_seconds = ? where id = ?",
                [Sql::timestamp($until), $kept, $holdId],
            );
            if ($ready) {
                ($this->assignFreedCopy)($hold->licence_id, $hold->title_id, $now);
            }

            return true;
        }, attempts: 5);
    }
}
