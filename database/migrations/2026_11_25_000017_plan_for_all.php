<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** With lists of a few rows PostgreSQL takes a plan for just these rows for cheaper, and plans each time: these functions keep one for all. */
return new class extends Migration
{
    public function up(): void
    {
        foreach (['title_names', 'titles_named', 'head_of_page', 'lines_of'] as $function) {
            DB::unprepared((string) file_get_contents(__DIR__."/../functions/{$function}.sql"));
        }
    }
};
