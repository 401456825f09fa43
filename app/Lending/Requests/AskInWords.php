<?php

declare(strict_types=1);

namespace App\Lending\Requests;

use App\Models\Card;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\WantedTitle;
use FigPorch\Core\Lending\Refused;
use Illuminate\Support\Facades\DB;

/** Asks a card's library for a title that no catalogue here knows. */
final class AskInWords
{
    /** @return Refused|null why it was not written down */
    public function __invoke(
        Card $card,
        WantedTitle $wanted,
        bool $wantsNotice,
        bool $wantsHold,
        DateTimeImmutable $now,
    ): ?Refused {
        return DB::transaction(function () use ($card, $wanted, $wantsNotice, $wantsHold, $now): ?Refused {
            DB::select('select from cards where id = ? for no key update', [$card->id]);
            $refused = PatronRequests::refusalInWords($card, $now);
            if ($refused !== null) {
                return $refused;
            }
            $wishes = ['wants_notice' => $wantsNotice, 'wants_hold' => $wantsHold];
            $of = [
                'card_id' => $card->id,
                'title_id' => null,
                'state' => 'open',
                'name' => $wanted->name,
                'people' => $wanted->people,
                'format' => $wanted->format?->value,
                'number' => $wanted->number,
            ];
            // Sent twice, it is one request.
            if (DB::table('requests')->where($of)->update($wishes) === 0) {
                DB::table('requests')->insert([
                    ...$of,
                    ...$wishes,
                    'library_id' => $card->library_id,
                    'asked_at' => $now,
                ]);
            }

            return null;
        }, attempts: 3);
    }
}
