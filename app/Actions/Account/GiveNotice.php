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
    /** Nothing is inserted, and nothing given back, for who wants to hear of it in no way. */
    private const INSERT = "with choice as (select coalesce(n.shown, true) shown, coalesce(n.mailed, true) and p.email is not null mailed, coalesce(n.mailed, true) wanted,
                array(select d.id from push_devices d where d.person_id = p.id and coalesce(n.pushed, true)) devices
            from people p left join notice_choices n on n.person_id = p.id and n.kind = :kind where p.id = :person),
        made as (insert into notices (person_id, kind, event_key, facts, created_at, shown)
            select :person, :kind, :event, :facts, :at, shown from choice where shown or wanted or devices <> '{}' on conflict do nothing returning id)
        select made.id, choice.mailed, to_json(choice.devices) devices from made, choice";

    /** @param  array<string, string|int>  $facts */
    public function __invoke(int $personId, NoticeKind $kind, string $eventKey, array $facts, DateTimeImmutable $now): void
    {
        $notice = DB::selectOne(self::INSERT, [
            'person' => $personId, 'kind' => $kind->value, 'event' => $eventKey,
            'facts' => json_encode($facts, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE), 'at' => $now->format('Y-m-d H:i:sP'),
        ]);
        if ($notice?->mailed) {
            MailNotice::dispatch($notice->id);
        }
        foreach (json_decode($notice->devices ?? '[]') as $device) {
            PushNotice::dispatch($notice->id, $device);
        }
    }
}
