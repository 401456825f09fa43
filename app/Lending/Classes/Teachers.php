<?php

declare(strict_types=1);

namespace App\Lending\Classes;

use App\Models\Card;
use App\Models\Person;

/** Who may have classes: patrons of the group that libraries call teachers. */
final class Teachers
{
    public const GROUP = 'teacher';

    /** @return list<Card> cards with which somebody may have classes, that are good at this moment */
    public static function cards(?Person $person): array
    {
        return $person === null
            ? []
            : array_values(
                $person->cards
                    ->filter(
                        fn(Card $card): bool => $card->patron_group === self::GROUP &&
                            $card->blocked_at === null &&
                            ($card->expires_at === null || $card->expires_at > now()),
                    )
                    ->all(),
            );
    }
}
