<?php

declare(strict_types=1);

namespace App\Exchange\Mail;

use App\Account\SignIn\PinLinkCarrier;
use App\Models\Card;
use Illuminate\Support\Facades\Mail;

/** The link to another PIN goes by mail, in the language of whose card it is. */
final class MailPinLink implements PinLinkCarrier
{
    public function carry(Card $card, string $link): void
    {
        if ($card->person->email !== null) {
            Mail::to($card->person->email)
                ->locale($card->person->locale)
                ->send(new PinLinkMail($card->person->name, $card->library->name, $link));
        }
    }
}
