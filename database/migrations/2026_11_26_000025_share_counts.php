<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** How many titles a set shares with each subject's is kept beside it, so that no other machine has to count it again. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared('alter table search_sets add column shared bytea; comment on column search_sets.shared is \'titles in common with each subject, the subjects with the most titles first: four bytes each, the lowest first\'');
    }
};
