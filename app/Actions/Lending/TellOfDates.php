<?php

declare(strict_types=1);

namespace App\Actions\Lending;

use App\Actions\Account\GiveNotice;
use DateTimeImmutable;
use FigPorch\Core\Lending\NoticeKind;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Tells patrons of what is about to happen: loans due, kept copies about to go on, licences of held titles that end. Each once. */
final class TellOfDates
{
    /** A day before the licence of a held title ends is too late to look for another way: two weeks. */
    private const LICENCE_DAYS = 14;

    public function __construct(private readonly GiveNotice $giveNotice)
    {
    }

    public function __invoke(DateTimeImmutable $now): void
    {
        $this->loansDue($now);
        $this->holdsLapsing($now);
        $this->licencesEnding($now);
    }

    /** A loan of a few days is not announced as due in three. */
    private function loansDue(DateTimeImmutable $now): void
    {
        $at = $now->format('Y-m-d H:i:s.uP');
        foreach ([[2, '1 day', NoticeKind::LoanDueTomorrow], [1, '3 days', NoticeKind::LoanDueSoon]] as [$told, $before, $kind]) {
            $due = DB::select(
                "select l.id, l.title_id, l.due_at, c.person_id, t.name, lib.timezone from loans l join cards c on c.id = l.card_id
                    join titles t on t.id = l.title_id join libraries lib on lib.id = c.library_id
                    where l.ended_at is null and l.told < ? and l.due_at > ? and l.due_at <= ?::timestamptz + ?::interval
                        and l.due_at - l.started_at > ?::interval + interval '1 day' order by l.due_at",
                [$told, $at, $at, $before, $before],
            );
            foreach ($due as $loan) {
                DB::transaction(function () use ($loan, $told, $kind, $now): void {
                    $still = DB::update('update loans set told = ? where id = ? and ended_at is null and told < ? and due_at = ?', [$told, $loan->id, $told, $loan->due_at]);
                    if ($still === 1) {
                        ($this->giveNotice)($loan->person_id, $kind, "{$kind->value}:{$loan->id}:{$loan->due_at}", self::facts($loan) + ['due' => (new DateTimeImmutable($loan->due_at))->format(DATE_ATOM)], $now);
                    }
                });
            }
        }
    }

    /** In the last day that a copy is kept, if it is kept for longer than a day. */
    private function holdsLapsing(DateTimeImmutable $now): void
    {
        $at = $now->format('Y-m-d H:i:s.uP');
        $lapsing = DB::select(
            "select h.id, h.title_id, h.kept_until, c.person_id, t.name, lib.timezone from holds h join cards c on c.id = h.card_id
                join titles t on t.id = h.title_id join libraries lib on lib.id = c.library_id
                where h.state = 'ready' and not h.told and h.kept_until > ? and h.kept_until <= ?::timestamptz + interval '1 day'
                    and h.kept_until - h.ready_at > interval '25 hours' order by h.kept_until",
            [$at, $at],
        );
        foreach ($lapsing as $hold) {
            DB::transaction(function () use ($hold, $now): void {
                if (DB::update("update holds set told = true where id = ? and state = 'ready' and not told", [$hold->id]) === 1) {
                    ($this->giveNotice)($hold->person_id, NoticeKind::HoldLapsing, "hold-lapsing:{$hold->id}:{$hold->kept_until}", self::facts($hold) + ['kept_until' => (new DateTimeImmutable($hold->kept_until))->format(DATE_ATOM)], $now);
                }
            });
        }
    }

    /** The last licence of a title for which somebody waits: that it will end, and that it has. */
    private function licencesEnding(DateTimeImmutable $now): void
    {
        $at = $now->format('Y-m-d H:i:s.uP');
        $holds = DB::select(
            "select h.id, h.title_id, c.person_id, t.name, lib.timezone, last.ends_at, last.id licence from holds h join cards c on c.id = h.card_id
                join titles t on t.id = h.title_id join libraries lib on lib.id = h.library_id
                cross join lateral (select li.id, coalesce(li.ends_at, 'infinity') ends_at, li.loans_left from licences li where li.title_id = h.title_id and li.model <> 'pay_per_loan'
                    and (li.library_id = h.library_id or li.shared and li.library_id in (select id from libraries where consortium_id = lib.consortium_id))
                    order by coalesce(li.ends_at, 'infinity') desc, li.id limit 1) last
                where h.state in ('waiting', 'paused') and last.ends_at <= ?::timestamptz + ?::interval
                    and not exists (select from notices n where n.person_id = c.person_id and n.event_key =
                        case when last.ends_at <= ?::timestamptz then 'licence-gone:' else 'licence-ending:' end || h.id || ':' || last.id)
                order by h.id",
            [$at, self::LICENCE_DAYS.' days', $at],
        );
        foreach ($holds as $hold) {
            $ends = new DateTimeImmutable($hold->ends_at);
            $kind = $ends <= $now ? NoticeKind::LicenceGone : NoticeKind::LicenceEnding;
            ($this->giveNotice)($hold->person_id, $kind, str_replace('_', '-', $kind->value).":{$hold->id}:{$hold->licence}", self::facts($hold) + ['ends' => $ends->format(DATE_ATOM)], $now);
        }
    }

    /** @return array<string, string|int> */
    private static function facts(stdClass $row): array
    {
        return ['title' => $row->title_id, 'name' => $row->name, 'timezone' => $row->timezone];
    }
}
