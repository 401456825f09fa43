<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** The publisher of each title, to narrow a search down by. Bitmaps that know no publishers are gathered anew. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            alter table search_rows add column publisher varchar(255);
            alter table search_rows alter column publisher set storage main;
            update search_rows s set publisher = nullif(trim(t.publisher), '') from titles t
                where t.id = s.title_id and t.publisher is not null;
            create index search_rows_publisher on search_rows (publisher, title_id) where publisher is not null;
            delete from search_gatherings;
            SQL
            ,
        );
    }
};
