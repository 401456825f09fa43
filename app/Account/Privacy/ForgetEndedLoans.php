<?php

declare(strict_types=1);

namespace App\Account\Privacy;

use App\Shared\Sql;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/**
 * Unless a person keeps their history, the link between them and a loan is cut once it is over and can no longer be
 * taken back, and with it the place they had reached and the title in what they were told of it; so it is with holds.
 */
final class ForgetEndedLoans
{
    private const AFTER_MINUTES = 30;

    private const NOTICES = "with gone as (
            select c.person_id, l.title_id from loans l join cards c on c.id = l.card_id
                join people p on p.id = c.person_id where not p.keeps_history and l.ended_at <= ?
            union select c.person_id, h.title_id from holds h join cards c on c.id = h.card_id
                join people p on p.id = c.person_id where not p.keeps_history and h.closed_at <= ?)
        update notices n set facts = '{\"forgotten\": 1}', event_key = 'forgotten:' || n.id from gone
            where n.person_id = gone.person_id and n.facts->>'title' = gone.title_id::text
            and not exists (select from loans l join cards c on c.id = l.card_id
                where c.person_id = gone.person_id and l.title_id = gone.title_id
                and (l.ended_at is null or l.ended_at > ?))
            and not exists (select from holds h join cards c on c.id = h.card_id
                where c.person_id = gone.person_id and h.title_id = gone.title_id
                and (h.closed_at is null or h.closed_at > ?))";

    public function __invoke(DateTimeImmutable $now): int
    {
        $before = Sql::second($now->modify('-' . self::AFTER_MINUTES . ' minutes'));

        return DB::transaction(function () use ($before): int {
            DB::delete(
                'delete from places pl using people p where p.id = pl.person_id and not p.keeps_history and not exists
                    (select from loans l join cards c on c.id = l.card_id
                        where c.person_id = pl.person_id and l.title_id = pl.title_id
                        and (l.ended_at is null or l.ended_at > ?))',
                [$before],
            );

            DB::delete(
                'delete from sendings s using loans l, people p where l.id = s.loan_id and p.id = s.person_id
                    and not p.keeps_history and l.ended_at <= ?',
                [$before],
            );
            // Whoever keeps a history keeps what they read, not what opened it.
            DB::update(
                'update protected_loans p set user_key = null, hint = null from loans l
                    where l.id = p.loan_id and p.user_key is not null and l.ended_at <= ?',
                [$before],
            );
            DB::update(
                'update protected_loan_events e set device_id = null, device_name = null
                    from protected_loans p join loans l on l.id = p.loan_id
                    where p.id = e.protected_loan_id and e.device_id is not null and l.ended_at <= ?',
                [$before],
            );
            DB::update(self::NOTICES, array_fill(0, 4, $before));
            DB::update(
                'update holds set card_id = null from cards c join people p on p.id = c.person_id
                    where holds.card_id = c.id and not p.keeps_history and holds.closed_at <= ?',
                [$before],
            );

            return DB::update(
                'update loans set card_id = null from cards c join people p on p.id = c.person_id
                    where loans.card_id = c.id and not p.keeps_history and loans.ended_at <= ?',
                [$before],
            );
        });
    }
}
