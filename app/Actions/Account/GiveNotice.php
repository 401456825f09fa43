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
    /** @param  array<string, string|int>  $facts */
    public function __invoke(int $personId, NoticeKind $kind, string $eventKey, array $facts, DateTimeImmutable $now): void
    {
        $choice = DB::selectOne('select shown, mailed from notice_choices where person_id = ? and kind = ?', [$personId, $kind->value]);
        $shown = $choice->shown ?? true;
        $mailed = $choice->mailed ?? true;
        if (! $shown && ! $mailed) {
            return;
        }
        $notice = DB::selectOne(
            'insert into notices (person_id, kind, event_key, facts, created_at, shown) values (?, ?, ?, ?, ?, ?::boolean) on conflict do nothing returning id',
            [$personId, $kind->value, $eventKey, json_encode($facts, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE), $now->format('Y-m-d H:i:sP'), $shown ? 't' : 'f'],
        );
        if ($notice !== null && $mailed) {
            MailNotice::dispatch($notice->id);
        }
    }
}
