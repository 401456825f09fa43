<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A word's stems are told language by language. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared((string) file_get_contents(__DIR__.'/../functions/search_first.sql'));
    }
};
