<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * The bands of ages that each title is for, to narrow a search down by. Bitmaps that know no ages are gathered anew.
 */
return new class extends Migration {
    private const BANDS = [[0, 5], [6, 8], [9, 12], [13, 14], [15, 17]];

    public function up(): void
    {
        $bands = array_map(
            fn(array $band): string => "case when age_from <= {$band[1]} and age_to >= {$band[0]}
                then '{$band[0]}-{$band[1]}' end",
            self::BANDS,
        );
        DB::unprepared(
            'alter table search_rows add column ages text[] not null
                generated always as (array_remove(array[' .
                implode(', ', $bands) .
                '], null)) stored;
            alter table search_rows alter column ages set storage main;
            delete from search_gatherings;',
        );
    }

    public function down(): void
    {
        DB::statement('alter table search_rows drop column ages');
    }
};
