<?php

declare(strict_types=1);

namespace App\Account\Messages;

use App\Models\Message;
use App\Models\Person;
use Illuminate\Support\Facades\DB;

/** Somebody has seen a message and wants it out of the way. */
final class PutAwayMessage
{
    public function __invoke(Person $person, Message $message): void
    {
        DB::table('messages_put_away')->insertOrIgnore(['person_id' => $person->id, 'message_id' => $message->id]);
    }
}
