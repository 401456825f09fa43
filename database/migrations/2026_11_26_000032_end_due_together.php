<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Loans that are due end together whether others wait for them or not, and their copies are passed on together. */
return new class extends Migration
{
    public function up(): void
    {
        foreach (['lending_pass_on', 'lending_end_loan'] as $function) {
            DB::unprepared((string) file_get_contents(__DIR__."/../functions/{$function}.sql"));
        }
    }
};
