<?php

declare(strict_types=1);

namespace App\Lending\Holds;

use App\Lending\Queues\FillFreeCopies;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/** Ends the pause of a hold; a copy that is free goes to it at once. */
final class ResumeHold
{
    public function __construct(private readonly FillFreeCopies $fillFreeCopies) {}

    public function __invoke(int $holdId, DateTimeImmutable $now): bool
    {
        $hold = DB::selectOne(
            "update holds set state = 'waiting', paused_until = null
                where id = ? and state = 'paused' returning title_id",
            [$holdId],
        );
        if ($hold === null) {
            return false;
        }
        $this->fillFreeCopies->ofTitle($hold->title_id, $now);

        return true;
    }
}
