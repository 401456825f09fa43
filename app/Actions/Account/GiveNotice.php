<?php

declare(strict_types=1);

namespace App\Actions\Account;

use App\Jobs\MailNotice;
use App\Jobs\PushNotice;
use DateTimeImmutable;
use FigPorch\Core\Lending\NoticeKind;
use Illuminate\Support\Facades\DB;

/**
 * Tells a person of an event, once, in the application, by mail and on their devices, as they chose for its kind. The notice and the jobs
 * that carry it are written in the transaction of the event itself: either all of it happened or none.
 */
final class GiveNotice
{
    /** @param  array<string, string|int>  $facts */
    public function __invoke(int $personId, NoticeKind $kind, string $eventKey, array $facts, DateTimeImmutable $now): void
    {
        $notice = DB::selectOne('select * from notice_give(?, ?, ?, ?, ?)', [
            $personId, $kind->value, $eventKey, json_encode($facts, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE), $now->format('Y-m-d H:i:sP'),
        ]);
        if ($notice?->mailed) {
            MailNotice::dispatch($notice->id);
        }
        foreach (json_decode($notice->devices ?? '[]') as $device) {
            PushNotice::dispatch($notice->id, $device);
        }
    }
}
