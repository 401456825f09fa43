<?php

declare(strict_types=1);

namespace App\Catalogue\Indexes;

use Illuminate\Support\Facades\DB;

/** Counts how many titles each library has of each person, series, subject and award. Run every night. */
final class CountIndexes
{
    private const LOCK = 0x1de;

    /** Names sort without the article that they begin with (common practice, no source), people as they are sorted. */
    private const ARTICLE = "'^(the|an?|el|la|los|las|un|una) +(?=[^ ])'";

    private const COUNTED = [
        'people' => 'select held.lib, c.id, c.name, c.sort_name, count(distinct s.title_id)
            from search_rows s cross join unnest(s.held) held(lib) join contributor_title ct on ct.title_id = s.title_id
                join contributors c on c.id = ct.contributor_id group by 1, 2',
        'series' =>
            'select held.lib, e.id, e.name, regexp_replace(e.name, ' .
            self::ARTICLE .
            ", '', 'i'), count(*) from search_rows s cross join unnest(s.held) held(lib)
                join series e on e.id = s.series_id group by 1, 2",
        'subjects' => 'select held.lib, e.id, e.name, e.name, count(*)
            from search_rows s cross join unnest(s.held) held(lib) cross join unnest(s.subjects) of(id)
                join subjects e on e.id = of.id group by 1, 2',
        'awards' => 'select held.lib, null::bigint, left(award, 255), left(award, 255), count(distinct s.title_id)
            from search_rows s cross join unnest(s.held) held(lib) cross join unnest(s.awards) award group by 1, 3',
    ];

    public function __invoke(): void
    {
        DB::transaction(function (): void {
            DB::select('select pg_advisory_xact_lock(?)', [self::LOCK]);
            DB::statement('set local work_mem = \'64MB\'');
            DB::delete('delete from index_entries');
            foreach (self::COUNTED as $kind => $counted) {
                DB::insert(
                    "insert into index_entries (library_id, kind, entry_id, name, sort_name, letter, titles)
                        select lib, ?, id, name, sort_name, case when first between 'A' and 'Z' then first else '#' end,
                            n
                        from ({$counted}) c(lib, id, name, sort_name, n)
                            cross join lateral (
                                select upper(left(normalize(sort_name, nfd), 1)) collate \"C\"
                            ) f(first)",
                    [$kind],
                );
            }
        });
    }
}
