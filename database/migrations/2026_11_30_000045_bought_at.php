<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Where a supplier's title is bought. */
return new class extends Migration {
    public function up(): void
    {
        DB::statement('alter table supplied_titles add column buy_at varchar(1000)');
        DB::statement("comment on column supplied_titles.buy_at is 'a page of the supplier''s, for people to open'");
    }
};
