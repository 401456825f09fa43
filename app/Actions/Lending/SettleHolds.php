<?php

declare(strict_types=1);

namespace App\Actions\Lending;

use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/** What time alone does to the lines: ready holds not taken, pauses over, licences begun. */
final class SettleHolds
{
    public function __construct(private readonly MissHold $missHold, private readonly FillFreeCopies $fillFreeCopies)
    {
    }

    public function __invoke(DateTimeImmutable $now): void
    {
        $at = $now->format('Y-m-d H:i:s.uP');
        foreach (DB::table('holds')->where('state', 'ready')->where('kept_until', '<=', $at)->orderBy('kept_until')->pluck('id') as $holdId) {
            ($this->missHold)($holdId, $now);
        }
        DB::update("update holds set state = 'waiting', paused_until = null where state = 'paused' and paused_until <= ?", [$at]);

        $fillable = DB::select(
            "select li.id from licences li where li.copies_free > 0 and li.starts_at <= ? and (li.ends_at is null or li.ends_at > ?)
                and exists (select from holds h where h.title_id = li.title_id and h.state = 'waiting' and (li.shared or h.library_id = li.library_id))
                order by li.id",
            [$at, $at],
        );
        foreach ($fillable as $licence) {
            ($this->fillFreeCopies)($licence->id, $now);
        }
    }
}
