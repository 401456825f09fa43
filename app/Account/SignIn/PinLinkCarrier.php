<?php

declare(strict_types=1);

namespace App\Account\SignIn;

use App\Models\Card;

/** Brings a link to whose card it is; Exchange does, by mail. */
interface PinLinkCarrier
{
    public function carry(Card $card, string $link): void;
}
