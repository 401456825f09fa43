<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Notices by one planned function; a return that somebody waits for sees so before it takes anything. */
return new class extends Migration
{
    public function up(): void
    {
        foreach (['notice_give', 'lending_end_loan'] as $function) {
            DB::unprepared((string) file_get_contents(__DIR__."/../functions/{$function}.sql"));
        }
    }
};
