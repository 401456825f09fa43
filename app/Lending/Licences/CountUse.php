<?php

declare(strict_types=1);

namespace App\Lending\Licences;

use Illuminate\Support\Facades\DB;

/** Counts how often and when last each licence was lent, and a library's titles with them. Run every night. */
final class CountUse
{
    public function __invoke(): void
    {
        DB::transaction(function (): void {
            DB::statement('set local work_mem = \'64MB\'');
            DB::statement(
                'insert into licence_use (licence_id, lent, last_lent_at)
                    select licence_id, count(*), max(started_at) from loans group by licence_id
                    on conflict (licence_id) do update set lent = excluded.lent, last_lent_at = excluded.last_lent_at
                        where (licence_use.lent, licence_use.last_lent_at)
                            is distinct from (excluded.lent, excluded.last_lent_at)',
            );
            DB::statement(
                'with used as (select li.library_id, li.title_id, max(greatest(li.starts_at, u.last_lent_at)) as last_at
                        from licences li left join licence_use u on u.licence_id = li.id group by 1, 2),
                    gone as (delete from title_use t where not exists (select from used
                        where used.library_id = t.library_id and used.title_id = t.title_id))
                    insert into title_use (library_id, title_id, last_at) select * from used
                    on conflict (library_id, title_id) do update set last_at = excluded.last_at
                        where title_use.last_at is distinct from excluded.last_at',
            );
        });
    }
}
