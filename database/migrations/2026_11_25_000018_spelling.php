<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Words that are like one another are found by what is left of them without a letter: quicker than by the trigrams that they share. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared((string) file_get_contents(__DIR__.'/../functions/one_left_out.sql'));
        DB::statement('create index search_words_one_left_out on search_words using gin (one_left_out(word))');
    }
};
