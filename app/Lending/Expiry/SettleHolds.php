<?php

declare(strict_types=1);

namespace App\Lending\Expiry;

use App\Lending\Holds\BorrowForHold;
use App\Lending\Queues\FillFreeCopies;
use App\Shared\Sql;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/**
 * What time alone does to the lines: ready holds not taken, pauses over, licences begun; and borrowings that a lost job
 * left undone.
 */
final class SettleHolds
{
    public function __construct(
        private readonly ExpireReadyHold $expireReadyHold,
        private readonly FillFreeCopies $fillFreeCopies,
        private readonly BorrowForHold $borrowForHold,
    ) {}

    public function __invoke(DateTimeImmutable $now): void
    {
        $at = Sql::timestamp($now);
        foreach (
            DB::table('holds')
                ->where('state', 'ready')
                ->where('kept_until', '<=', $at)
                ->orderBy('kept_until')
                ->pluck('id')
            as $holdId
        ) {
            ($this->expireReadyHold)($holdId, $now);
        }
        DB::update(
            "update holds set state = 'waiting', paused_until = null where state = 'paused' and paused_until <= ?",
            [$at],
        );
        $this->fillFreeCopies->everywhere($now);

        $undone = DB::table('holds')
            ->where('state', 'ready')
            ->where('borrow_at_once', true)
            ->where('ready_at', '<=', Sql::timestamp($now->modify('-1 minute')));
        foreach ($undone->orderBy('ready_at')->pluck('id') as $holdId) {
            ($this->borrowForHold)($holdId, $now);
        }
    }
}
