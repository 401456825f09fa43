<?php

declare(strict_types=1);

namespace App\Catalogue\SimilarTitles;

use Illuminate\Support\Facades\DB;

/**
 * Which titles the same people borrowed, counted once a night. Only pairs that ten people or more have in common are
 * written down, so that no figure tells of anyone (k-anonymity with k = 10).
 */
final class CountBorrowedTogether
{
    public const FEWEST_PEOPLE = 10;

    /** Loans of one person that count, the latest: one who borrowed thousands says little about any two. */
    private const LOANS_EACH = 200;

    private const KEPT_EACH = 20;

    private const COUNT = <<<'SQL'
    with had as materialized (
        select person_id, work_id, min(title_id) title_id from (
            select c.person_id, t.work_id, l.title_id, row_number() over (partition by c.person_id
                order by l.started_at desc) n
                from loans l join cards c on c.id = l.card_id join titles t on t.id = l.title_id) x where n <= ?
                    group by person_id, work_id),
    pairs as (select a.work_id, b.work_id other_work, count(*) people from had a
        join had b on b.person_id = a.person_id and b.work_id <> a.work_id group by 1, 2 having count(*) >= ?),
    -- Of two works much borrowed, many have both: what counts is how many more than chance would have it.
    ranked as (select p.*, row_number() over (partition by p.work_id
        order by p.people / sqrt(o.n) desc, p.other_work) place from pairs p join (select work_id, count(*) n from had
        group by 1) o on o.work_id = p.other_work)
    insert into title_neighbours (title_id, other_id, people)
        select t.id, o.id, r.people from ranked r join titles t on t.work_id = r.work_id join lateral (select id
            from titles where work_id = r.other_work order by format = t.format desc, id limit 1) o on true
            where r.place <= ?
    SQL;

    /** @return int how many pairs there are */
    public function __invoke(): int
    {
        return DB::transaction(function (): int {
            DB::table('title_neighbours')->delete();

            return DB::affectingStatement(self::COUNT, [self::LOANS_EACH, self::FEWEST_PEOPLE, self::KEPT_EACH]);
        });
    }
}
