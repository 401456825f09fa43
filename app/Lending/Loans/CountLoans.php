<?php

declare(strict_types=1);

namespace App\Lending\Loans;

use Illuminate\Support\Facades\DB;

/**
 * Counts loans for the figures while it is still known who borrowed, and keeps nothing of that: half an hour after a
 * loan has ended its card is taken off. Run every minute, some at a time; one that is ended from without counts
 * nothing.
 */
final class CountLoans
{
    private const AT_A_TIME = 2000;

    /** Cards before loans, as lending takes them, so that none waits for the other. */
    private const COUNT = <<<'SQL'
    with batch as materialized (
        select l.id, coalesce(c.library_id, li.library_id) library_id, l.title_id, l.card_id, t.format,
            coalesce(c.patron_group, '') patron_group, l.started_at at time zone lib.timezone local
        from (select * from loans where not counted order by id limit ?) l
            join licences li on li.id = l.licence_id join titles t on t.id = l.title_id
            left join cards c on c.id = l.card_id
            join libraries lib on lib.id = coalesce(c.library_id, li.library_id)
    ), borrowed as materialized (
        select distinct c.id, c.library_id, c.patron_group, date_trunc('month', b.local)::date as month
            from batch b join cards c on c.id = b.card_id
            where c.counted_month is null or c.counted_month < date_trunc('month', b.local)::date
    ), last_month as (
        update cards c set counted_month = b.month from (
            select id, max(borrowed.month) as month from borrowed group by 1) b where c.id = b.id
    ), people as (
        insert into people_figures (library_id, month, patron_group, n)
            select library_id, borrowed.month, patron_group, count(*) from borrowed group by 1, 2, 3
            on conflict (library_id, month, patron_group) do update set n = people_figures.n + excluded.n
    ), titles as (
        insert into title_figures (library_id, month, title_id, n)
            select library_id, date_trunc('month', local)::date, title_id, count(*) from batch group by 1, 2, 3
            on conflict (library_id, month, title_id) do update set n = title_figures.n + excluded.n
    ), figures as (
        insert into loan_figures (library_id, month, format, patron_group, weekday, hour, n)
            select library_id, date_trunc('month', local)::date, format, patron_group, extract(isodow from local),
                extract(hour from local), count(*)
            from batch group by 1, 2, 3, 4, 5, 6
            on conflict (library_id, month, format, patron_group, weekday, hour)
                do update set n = loan_figures.n + excluded.n
    ), for_classes as (
        update class_sets s set borrowed = s.borrowed + b.n from (
            select s.id, count(*) n from class_sets s join class_members m on m.class_id = s.class_id
                join batch b on b.card_id = m.card_id and b.title_id = s.title_id
                    and b.local::date between s.first_day and s.last_day group by s.id) b where s.id = b.id
    ), marked as (
        update loans set counted = true where id in (select id from batch) returning id
    )
    select count(*) from marked
    SQL;

    /** @return int how many were counted */
    public function __invoke(): int
    {
        $all = 0;
        do {
            $counted = DB::transaction(function (): int {
                // Two at once would count the same.
                return DB::scalar("select pg_try_advisory_xact_lock(hashtext('count loans'))")
                    ? (int) DB::scalar(self::COUNT, [self::AT_A_TIME])
                    : 0;
            }, attempts: 3);
            $all += $counted;
        } while ($counted === self::AT_A_TIME);

        return $all;
    }
}
