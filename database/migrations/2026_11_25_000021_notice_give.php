<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A return that somebody waits for sees so before it takes anything. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared((string) file_get_contents(__DIR__.'/../functions/lending_end_loan.sql'));
    }
};
