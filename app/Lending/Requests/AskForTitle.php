<?php

declare(strict_types=1);

namespace App\Lending\Requests;

use App\Models\Card;
use App\Models\Title;
use DateTimeImmutable;
use FigPorch\Core\Lending\Refused;
use Illuminate\Support\Facades\DB;

/** Asks a card's library to get a title that it does not have. Asked again, the wishes are set anew. */
final class AskForTitle
{
    /** @return Refused|null why it was not written down */
    public function __invoke(
        Card $card,
        Title $title,
        bool $wantsNotice,
        bool $wantsHold,
        DateTimeImmutable $now,
    ): ?Refused {
        return DB::transaction(function () use ($card, $title, $wantsNotice, $wantsHold, $now): ?Refused {
            // A licence that is being added at this moment is waited for: either it is seen here, or it sees this
            // request.
            DB::select('select from titles where id = ? for share', [$title->id]);
            DB::select('select from cards where id = ? for no key update', [$card->id]);
            $refused = PatronRequests::refusal($card, $title, $now);
            if ($refused !== null) {
                return $refused;
            }
            $wishes = ['wants_notice' => $wantsNotice, 'wants_hold' => $wantsHold];
            if (
                DB::table('requests')
                    ->where(['card_id' => $card->id, 'title_id' => $title->id, 'state' => 'open'])
                    ->update($wishes) === 0
            ) {
                DB::table('requests')->insert([
                    ...$wishes,
                    'library_id' => $card->library_id,
                    'card_id' => $card->id,
                    'title_id' => $title->id,
                    'asked_at' => $now,
                ]);
            }

            return null;
        }, attempts: 3);
    }
}
