<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A person's cards, by names of their own; one of them comes first. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            alter table cards add column own_name varchar(40), add column is_first boolean not null default false;
            create unique index cards_person_id_first_unique on cards (person_id) where is_first;
            SQL
            ,
        );
    }
};
