<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Of which work a title is, where staff know better than its record. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            alter table titles add work_said varchar(700);
            comment on column titles.work_said is 'match_key of its work, where staff said it; else its record decides';
            SQL
            ,
        );
    }

    public function down(): void
    {
        DB::unprepared('alter table titles drop work_said');
    }
};
