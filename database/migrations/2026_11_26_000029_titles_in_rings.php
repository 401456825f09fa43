<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A page that rings are put in order for comes with its titles. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared((string) file_get_contents(__DIR__.'/../functions/titles_in_rings.sql'));
    }
};
