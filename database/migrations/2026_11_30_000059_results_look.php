<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** How somebody likes to see what a search finds. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            alter table people add column results jsonb;
            comment on column people.results is
                'covers: results are shown as covers; by_work: the titles of a work stand together';
            SQL
            ,
        );
    }

    public function down(): void
    {
        DB::statement('alter table people drop column results');
    }
};
