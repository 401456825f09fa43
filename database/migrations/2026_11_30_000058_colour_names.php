<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What each colour of highlights means to a person. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            alter table people add column colour_names jsonb;
            comment on column people.colour_names is 'their own names for colours of highlights, by colour';
            SQL
            ,
        );
    }

    public function down(): void
    {
        DB::statement('alter table people drop column colour_names');
    }
};
