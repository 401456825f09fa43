<?php

declare(strict_types=1);

namespace App\Desk\Titles;

use App\Models\Library;
use App\Models\Title;
use App\Shared\Sql;
use DateTimeImmutable;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * The rows behind the figures of one title at a library; no patron among them can be told from another of the same
 * group.
 */
final class TitleRows
{
    /**
     * @return Collection<int, stdClass> rows of licences with on_loan, kept, lent (in all) and whether they are alive;
     *     the library's own
     */
    public function licences(Library $library, Title $title, DateTimeImmutable $now): Collection
    {
        return collect(
            DB::select(
                "select li.*, o.n on_loan, k.n kept, lent.n lent, (ends_at is null or ends_at > ?)
                    and (loans_left is null or loans_left > 0 or copies_free < copies) alive
                from licences li
                cross join lateral (select count(*) n from loans where licence_id = li.id and ended_at is null) o
                cross join lateral (select count(*) n from loans where licence_id = li.id) lent
                cross join lateral (select count(*) n from holds where licence_id = li.id and state = 'ready') k
                where li.library_id = ? and li.title_id = ? order by alive desc, li.id",
                [Sql::second($now), $library->id, $title->id],
            ),
        );
    }

    /**
     * @return Collection<int, stdClass> the library's open holds in line order, without their patrons: state,
     *     placed_at, paused_until, kept_until, borrow_at_once, patron_group
     */
    public function holds(Library $library, Title $title): Collection
    {
        return collect(
            DB::select(
                "select h.state, h.placed_at, h.paused_until, h.kept_until, h.borrow_at_once, c.patron_group
                    from holds h join cards c on c.id = h.card_id
                where h.library_id = ? and h.title_id = ? and h.closed_at is null
                    order by h.state <> 'ready', h.line_at, h.id",
                [$library->id, $title->id],
            ),
        );
    }

    /**
     * @return Collection<int, stdClass> open loans on the library's licences: licence_id, started_at, due_at, renewals,
     *     patron_group
     */
    public function loans(Library $library, Title $title): Collection
    {
        return collect(
            DB::select(
                'select l.licence_id, l.started_at, l.due_at, l.renewals, c.patron_group,
                    c.library_id <> li.library_id elsewhere from loans l join licences li on li.id = l.licence_id
                    join cards c on c.id = l.card_id
                where li.library_id = ? and li.title_id = ? and l.ended_at is null order by l.due_at',
                [$library->id, $title->id],
            ),
        );
    }

    /** @return array<string, int> loans begun in each month, as "2026-11" => count */
    public function loansByMonth(Library $library, Title $title, DateTimeImmutable $since): array
    {
        $rows = DB::select(
            "select to_char(l.started_at at time zone ?, 'YYYY-MM') as month, count(*) n from loans l
                join licences li on li.id = l.licence_id
                where li.title_id = ? and li.library_id = ? and l.started_at >= ? group by 1",
            [$library->timezone, $title->id, $library->id, Sql::second($since)],
        );

        return array_map(intval(...), array_column($rows, 'n', 'month'));
    }

    /**
     * @return Collection<int, stdClass> what staff did with the library's licences of the title, newest first: what,
     *     facts, changed_at, name, licence_id
     */
    public function changes(Library $library, Title $title): Collection
    {
        return collect(
            DB::select(
                'select ch.what, ch.facts, ch.changed_at, ch.licence_id, s.name from licence_changes ch
                    join licences li on li.id = ch.licence_id join staff_members s on s.id = ch.staff_member_id
                where li.library_id = ? and li.title_id = ? order by ch.changed_at desc, ch.id desc limit 30',
                [$library->id, $title->id],
            ),
        )->each(fn(stdClass $row) => ($row->facts = json_decode($row->facts, true)));
    }
}
