<?php

declare(strict_types=1);

namespace FigPorch\Core\Account;

/** Whether a PIN may be chosen: four digits to twelve, and not one that is tried first (common practice, no source). */
enum PinStrength: string
{
    case Good = 'good';
    case NoPin = 'no_pin';
    case AllTheSame = 'all_the_same';
    case InARow = 'in_a_row';
    case OfTheCard = 'of_the_card';

    public static function of(#[\SensitiveParameter] string $pin, string $cardNumber): self
    {
        return match (true) {
            preg_match('/^\d{4,12}$/D', $pin) !== 1 => self::NoPin,
            count(array_unique(str_split($pin))) === 1 => self::AllTheSame,
            str_contains('01234567890123456789', $pin) || str_contains('98765432109876543210', $pin) => self::InARow,
            str_contains($cardNumber, $pin) => self::OfTheCard,
            default => self::Good,
        };
    }
}
