<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Many notices of one kind are written down in one statement, as one is. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared('drop function if exists notice_give(bigint, text, text, jsonb, timestamptz)');
        foreach (['notices_give', 'lending_end_loan'] as $function) {
            DB::unprepared((string) file_get_contents(__DIR__."/../functions/{$function}.sql"));
        }
    }
};
