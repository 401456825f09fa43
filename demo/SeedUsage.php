<?php

declare(strict_types=1);

namespace FigPorch\Demo;

use Illuminate\Support\Facades\DB;

/** How the catalogue was used until now: what goes with the loans. */
final class SeedUsage
{
    /** Each loan is read on some days, after some have looked at the title; and before one borrows, one searches. */
    public function goWithPastLoans(): void
    {
        DB::statement(
            "with lent as (select li.library_id, l.title_id, l.id,
                    date_trunc('month', l.started_at at time zone lib.timezone)::date as month
                from loans l join licences li on li.id = l.licence_id join libraries lib on lib.id = li.library_id),
                refused as (select t.library_id, t.title_id, t.reason,
                    date_trunc('month', t.happened_at at time zone lib.timezone)::date as month
                from turnaways t join libraries lib on lib.id = t.library_id),
                used as (select library_id, month, title_id, sum(3 + id % 5) requests, sum(2 + id % 4) visits,
                        count(*) loans, 0 no_copy, 0 no_licence
                    from lent group by 1, 2, 3
                    union all select library_id, month, title_id, 0, 0, 0,
                        count(*) filter (where reason not in ('no_licence', 'not_yet')),
                        count(*) filter (where reason in ('no_licence', 'not_yet')) from refused group by 1, 2, 3)
            insert into usage_counts (library_id, month, title_id, searches, investigations, unique_investigations,
                    requests, unique_requests, limit_exceeded, no_licence)
                select library_id, month, title_id, 0, 2 * sum(requests) + 3 * sum(loans), sum(visits) + 2 * sum(loans),
                    sum(requests), sum(visits), sum(no_copy), sum(no_licence)
                from used group by library_id, month, title_id
                union all select library_id, month, null, sum(5 + id % 3), 0, 0, 0, 0, 0, 0
                from lent group by library_id, month",
        );
    }
}
