<?php

declare(strict_types=1);

namespace App\Lending\Holds;

use App\Lending\Queues\AssignFreedCopy;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Lending\HoldState;
use Illuminate\Support\Facades\DB;

/** Takes a hold out of the line; a copy kept for it goes to the next. */
final class CloseHold
{
    public function __construct(private readonly AssignFreedCopy $assignFreedCopy) {}

    /** @return bool false when it was closed already */
    public function __invoke(int $holdId, HoldState $as, DateTimeImmutable $now): bool
    {
        return DB::transaction(function () use ($holdId, $as, $now): bool {
            DB::select('select id from cards where id = (select card_id from holds where id = ?) for no key update', [
                $holdId,
            ]);
            $hold = DB::selectOne('select * from holds where id = ? and closed_at is null for no key update', [
                $holdId,
            ]);
            if ($hold === null) {
                return false;
            }
            DB::update(
                'update holds set state = ?, closed_at = ?, kept_until = null, licence_id = null, paused_until = null
                    where id = ?',
                [$as->value, Sql::timestamp($now), $holdId],
            );
            DB::update('update cards set holds_open = holds_open - 1 where id = ?', [$hold->card_id]);
            if ($hold->state === HoldState::Ready->value) {
                ($this->assignFreedCopy)($hold->licence_id, $hold->title_id, $now);
            }

            return true;
        }, attempts: 5);
    }
}
