<?php

declare(strict_types=1);

namespace App\Lending\Expiry;

use App\Account\Notices\GiveNotice;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Lending\NoticeKind;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * Tells patrons of what is about to happen: loans due, kept copies about to go on, licences of held titles that end.
 * Each once.
 */
final class SendDueNotices
{
    /** A day before the licence of a held title ends is too late to look for another way: two weeks. */
    private const LICENCE_DAYS = 14;

    /** Told of in one transaction. */
    private const TOGETHER = 100;

    public function __construct(private readonly GiveNotice $giveNotice) {}

    public function __invoke(DateTimeImmutable $now): void
    {
        $this->loansDue($now);
        $this->holdsLapsing($now);
        $this->licencesEnding($now);
    }

    /** A loan of a few days is not announced as due in three. */
    private function loansDue(DateTimeImmutable $now): void
    {
        $at = Sql::timestamp($now);
        foreach (
            [[2, '1 day', NoticeKind::LoanDueTomorrow], [1, '3 days', NoticeKind::LoanDueSoon]]
            as [$told, $before, $kind]
        ) {
            $due = DB::select(
                "select l.id, l.title_id, l.due_at as at, c.person_id, t.name, lib.timezone from loans l
                    join cards c on c.id = l.card_id
                    join titles t on t.id = l.title_id join libraries lib on lib.id = c.library_id
                    where l.ended_at is null and l.told < ? and l.due_at > ?
                        and l.due_at <= ?::timestamptz + ?::interval
                        and l.due_at - l.started_at > ?::interval + interval '1 day' order by l.due_at",
                [$told, $at, $at, $before, $before],
            );
            $mark = 'update loans set told = ? from (select l.id from loans l
                join unnest(?::bigint[], ?::timestamptz[]) was(id, at) on was.id = l.id and was.at = l.due_at
                where l.ended_at is null and l.told < ? order by l.id for no key update of l skip locked) x
                    where loans.id = x.id returning loans.id';
            $this->tell(
                kind: $kind,
                event: $kind->value,
                rows: $due,
                date: 'due',
                mark: fn(string $ids, string $dates): array => DB::select($mark, [$told, $ids, $dates, $told]),
                now: $now,
            );
        }
    }

    /** In the last day that a copy is kept, if it is kept for longer than a day. */
    private function holdsLapsing(DateTimeImmutable $now): void
    {
        $at = Sql::timestamp($now);
        $lapsing = DB::select(
            "select h.id, h.title_id, h.kept_until as at, c.person_id, t.name, lib.timezone from holds h
                join cards c on c.id = h.card_id
                join titles t on t.id = h.title_id join libraries lib on lib.id = c.library_id
                where h.state = 'ready' and not h.told and h.kept_until > ?
                    and h.kept_until <= ?::timestamptz + interval '1 day'
                    and h.kept_until - h.ready_at > interval '25 hours' order by h.kept_until",
            [$at, $at],
        );
        $mark = "update holds set told = true from (select h.id from holds h
            join unnest(?::bigint[], ?::timestamptz[]) was(id, at) on was.id = h.id and was.at = h.kept_until
            where h.state = 'ready' and not h.told order by h.id for no key update of h skip locked) x
                where holds.id = x.id returning holds.id";
        $this->tell(
            kind: NoticeKind::HoldLapsing,
            event: 'hold-lapsing',
            rows: $lapsing,
            date: 'kept_until',
            mark: fn(string $ids, string $dates): array => DB::select($mark, [$ids, $dates]),
            now: $now,
        );
    }

    /** The last licence of a title for which somebody waits: that it will end, and that it has. */
    private function licencesEnding(DateTimeImmutable $now): void
    {
        $at = Sql::timestamp($now);
        $holds = DB::select(
            "select h.id, h.title_id, c.person_id, t.name, lib.timezone, last.ends_at, last.id licence from holds h
                join cards c on c.id = h.card_id
                join titles t on t.id = h.title_id join libraries lib on lib.id = h.library_id
                cross join lateral (select li.id, coalesce(li.ends_at, 'infinity') ends_at, li.loans_left
                    from licences li join libraries o on o.id = li.library_id
                    where li.title_id = h.title_id and li.model <> 'pay_per_loan'
                        and licence_serves(li.shared, o, lib)
                    order by coalesce(li.ends_at, 'infinity') desc, li.id limit 1) last
                where h.state in ('waiting', 'paused') and last.ends_at <= ?::timestamptz + ?::interval
                    and not exists (select from notices n where n.person_id = c.person_id and n.event_key =
                        case when last.ends_at <= ?::timestamptz then 'licence-gone:' else 'licence-ending:'
                            end || h.id || ':' || last.id)
                order by h.id",
            [$at, self::LICENCE_DAYS . ' days', $at],
        );
        $notices = [];
        foreach ($holds as $hold) {
            $ends = new DateTimeImmutable($hold->ends_at);
            $kind = $ends <= $now ? NoticeKind::LicenceGone : NoticeKind::LicenceEnding;
            $notices[$kind->value][] = [
                'person' => $hold->person_id,
                'event' => str_replace('_', '-', $kind->value) . ":{$hold->id}:{$hold->licence}",
                'facts' => self::facts($hold) + ['ends' => $ends->format(DATE_ATOM)],
            ];
        }
        foreach ($notices as $kind => $all) {
            foreach (array_chunk($all, self::TOGETHER) as $some) {
                DB::transaction(fn() => $this->giveNotice->many(NoticeKind::from($kind), $some, $now));
            }
        }
    }

    /**
     * Notices and the marks that they were given, of some rows in one transaction. What somebody else has taken at this
     * moment is told of a minute later, if it still is so.
     *
     * @param  string  $event  what its events are called
     * @param  array<stdClass>  $rows  each of a date ("at")
     * @param  string  $date  what a notice calls the date
     * @param  callable(string, string): array<stdClass>  $mark  takes their numbers and dates; gives the numbers of
     *     those that are as they were
     */
    private function tell(
        NoticeKind $kind,
        string $event,
        array $rows,
        string $date,
        callable $mark,
        DateTimeImmutable $now,
    ): void {
        foreach (array_chunk($rows, self::TOGETHER) as $some) {
            DB::transaction(function () use ($kind, $event, $some, $date, $mark, $now): void {
                $marked = array_flip(
                    array_column(
                        $mark(
                            Sql::array(array_column($some, 'id')),
                            '{"' . implode('","', array_column($some, 'at')) . '"}',
                        ),
                        'id',
                    ),
                );
                $this->giveNotice->many(
                    $kind,
                    array_map(
                        fn(stdClass $row): array => [
                            'person' => $row->person_id,
                            'event' => "{$event}:{$row->id}:{$row->at}",
                            'facts' => self::facts($row) + [
                                $date => (new DateTimeImmutable($row->at))->format(DATE_ATOM),
                            ],
                        ],
                        array_values(array_filter($some, fn(stdClass $row): bool => isset($marked[$row->id]))),
                    ),
                    $now,
                );
            });
        }
    }

    /** @return array<string, string|int> */
    private static function facts(stdClass $row): array
    {
        return ['title' => $row->title_id, 'name' => $row->name, 'timezone' => $row->timezone];
    }
}
