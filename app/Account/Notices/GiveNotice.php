<?php

declare(strict_types=1);

namespace App\Account\Notices;

use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Lending\NoticeKind;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * Tells people of an event, once, in the application, by mail and on their devices, as they chose for its kind. The
 * notices and the jobs that carry them are written in the transaction of the event itself: either all of it happened or
 * none.
 */
final class GiveNotice
{
    public function __construct(private readonly NoticeCarriers $carriers) {}

    /** @param  array<string, string|int>  $facts */
    public function __invoke(
        int $personId,
        NoticeKind $kind,
        string $eventKey,
        array $facts,
        DateTimeImmutable $now,
    ): void {
        $this->many($kind, [['person' => $personId, 'event' => $eventKey, 'facts' => $facts]], $now);
    }

    /** @param  list<array{person: int, event: string, facts: array<string, string|int>}>  $notices */
    public function many(NoticeKind $kind, array $notices, DateTimeImmutable $now): void
    {
        if ($notices === []) {
            return;
        }
        $json = DB::scalar('select notices_give(?, ?, ?)', [
            $kind->value,
            json_encode($notices, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
            Sql::second($now),
        ]);
        $this->carry(json_decode((string) $json));
    }

    /** @param  stdClass  $given  as notices_give gives it */
    public function carry(stdClass $given): void
    {
        $this->carriers->carry($given);
    }
}
