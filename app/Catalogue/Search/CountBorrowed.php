<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

use Illuminate\Support\Facades\DB;

/** Counts how often each title was borrowed, for the order of what is wanted most; run every hour. */
final class CountBorrowed
{
    public function __invoke(): void
    {
        DB::transaction(function (): void {
            DB::update(
                'update titles set times_borrowed = l.n from (select title_id, count(*) n from loans
                    group by title_id) l where l.title_id = titles.id and l.n <> times_borrowed',
            );
            DB::update(
                'update search_rows s set times_borrowed = t.times_borrowed from titles t
                    where t.id = s.title_id and t.times_borrowed <> s.times_borrowed',
            );
        });
    }
}
