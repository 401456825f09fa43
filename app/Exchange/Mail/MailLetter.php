<?php

declare(strict_types=1);

namespace App\Exchange\Mail;

use App\Account\Letters\LetterCarrier;
use App\Models\Letter;
use App\Models\LetterPart;
use Illuminate\Support\Facades\Mail;

/** An answer goes by mail to who wrote without a card, in the language in which they wrote. */
final class MailLetter implements LetterCarrier
{
    public function carry(Letter $letter, LetterPart $answer): void
    {
        if ($letter->email !== null) {
            Mail::to($letter->email)
                ->locale($letter->locale)
                ->send(new LetterMail($letter->name, $letter->library->name, $answer->text));
        }
    }
}
