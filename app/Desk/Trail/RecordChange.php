<?php

declare(strict_types=1);

namespace App\Desk\Trail;

use App\Models\Card;
use App\Models\StaffMember;
use App\Shared\Sql;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/**
 * Writes into the audit trail what staff changed, in the transaction that changes it. Who calls it names what is
 * written word for word, so that no column of a patron's comes in by itself; what somebody reads never does.
 */
final class RecordChange
{
    /**
     * @param  Card|string  $subject  of what or whom, as staff know it: a card, a mail address, a title's name
     * @param  array<string, array{string|int|bool|null, string|int|bool|null}>  $facts  before and after, by the key of
     *     its words in trail.facts
     */
    public function __invoke(
        StaffMember $by,
        ChangeKind $what,
        Card|string $subject,
        array $facts,
        DateTimeImmutable $now,
    ): void {
        DB::table('desk_changes')->insert([
            'library_id' => $by->library_id,
            'staff_member_id' => $by->id,
            'what' => $what->value,
            'subject' => $subject instanceof Card ? $subject->number : mb_substr($subject, 0, 200),
            'card_id' => $subject instanceof Card ? $subject->id : null,
            'facts' => json_encode((object) $facts, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
            'changed_at' => Sql::second($now),
        ]);
    }
}
