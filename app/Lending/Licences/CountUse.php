<?php

declare(strict_types=1);

namespace App\Lending\Licences;

use Illuminate\Support\Facades\DB;

/** Counts how often and when last each licence was lent. Run every night. */
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
        });
    }
}
