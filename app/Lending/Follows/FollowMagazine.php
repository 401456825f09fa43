<?php

declare(strict_types=1);

namespace App\Lending\Follows;

use App\Models\Card;
use App\Models\Follow;
use DateTimeImmutable;

/** A card follows a magazine, so that its next issues are told of or borrowed; or no longer. */
final class FollowMagazine
{
    /** @param  bool  $borrows  the next issues, instead of being told of them */
    public function __invoke(Card $card, int $seriesId, bool $borrows, DateTimeImmutable $now): void
    {
        Follow::query()
            ->firstOrCreate(
                ['card_id' => $card->id, 'series_id' => $seriesId],
                ['borrows' => $borrows, 'looked_at' => $now],
            )
            ->update(['borrows' => $borrows]);
    }

    public function stop(Card $card, int $seriesId): void
    {
        Follow::query()
            ->where(['card_id' => $card->id, 'series_id' => $seriesId])
            ->delete();
    }
}
