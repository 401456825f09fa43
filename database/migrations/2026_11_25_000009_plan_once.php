<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Questions that most pages ask, as functions whose plan a connection keeps: planning them took longer than answering. */
return new class extends Migration
{
    public function up(): void
    {
        foreach (['pay_per_loan_left', 'licences_give', 'title_names', 'head_of_page'] as $function) {
            DB::unprepared((string) file_get_contents(__DIR__."/../functions/{$function}.sql"));
        }
    }
};
