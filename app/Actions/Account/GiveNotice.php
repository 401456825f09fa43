<?php

declare(strict_types=1);

namespace App\Actions\Account;

use App\Jobs\MailNotice;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/**
 * Tells a person of an event, once, in the application and by mail. The notice and the job that mails it are written in
 * the transaction of the event itself: either all of it happened or none.
 */
final class GiveNotice
{
    /** @param  array<string, string|int>  $facts */
    public function __invoke(int $personId, string $kind, string $eventKey, array $facts, DateTimeImmutable $now): void
    {
        $notice = DB::selectOne(
            'insert into notices (person_id, kind, event_key, facts, created_at) values (?, ?, ?, ?, ?) on conflict do nothing returning id',
            [$personId, $kind, $eventKey, json_encode($facts, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE), $now->format('Y-m-d H:i:sP')],
        );
        if ($notice !== null) {
            MailNotice::dispatch($notice->id);
        }
    }
}
