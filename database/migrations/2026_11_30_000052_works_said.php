<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Of which work a title is, where staff know better than its record; what is wrong with a file, to be translated. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            alter table titles add work_said varchar(700);
            alter table record_imports alter problem type text, add columns jsonb;
            comment on column record_imports.columns is 'of a table, ours by what they are called there';
            comment on column titles.work_said is 'match_key of its work, where staff said it; else its record decides';
            SQL
            ,
        );
    }

    public function down(): void
    {
        DB::unprepared('alter table titles drop work_said; alter table record_imports drop columns');
    }
};
