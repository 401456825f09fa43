<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What is suggested is found as quickly after the second gathering as after the first; subjects of a list are read through once, not for each title. */
return new class extends Migration
{
    public function up(): void
    {
        foreach (['names_begun', 'titles_named'] as $function) {
            DB::unprepared((string) file_get_contents(__DIR__."/../functions/{$function}.sql"));
        }
    }
};
