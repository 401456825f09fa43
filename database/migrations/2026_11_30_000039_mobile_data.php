<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What is not fetched over mobile data before one was asked. */
return new class extends Migration {
    public function up(): void
    {
        DB::statement('alter table people add column ask_on_mobile jsonb');
        DB::statement("comment on column people.ask_on_mobile is 'what is not fetched over mobile data unasked'");
    }
};
