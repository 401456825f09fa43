<?php

declare(strict_types=1);

namespace App\Actions\Account;

use App\Jobs\MailNotice;
use DateTimeImmutable;
use FigPorch\Core\Lending\NoticeKind;
use Illuminate\Support\Facades\DB;

/**
 * Tells a person of an event, once, in the application and by mail, as they chose for its kind. The notice and the job that
 * mails it are written in the transaction of the event itself: either all of it happened or none.
 */
final class GiveNotice
{
    /** Nothing is inserted, and nothing given back, for who wants to hear of it neither way. */
    private const INSERT = 'with choice as (select coalesce(n.shown, true) shown, coalesce(n.mailed, true) and p.email is not null mailed, coalesce(n.mailed, true) wanted
            from people p left join notice_choices n on n.person_id = p.id and n.kind = :kind where p.id = :person),
        made as (insert into notices (person_id, kind, event_key, facts, created_at, shown)
            select :person, :kind, :event, :facts, :at, shown from choice where shown or wanted on conflict do nothing returning id)
        select made.id, choice.mailed from made, choice';

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
    }
}
