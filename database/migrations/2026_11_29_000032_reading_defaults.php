<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** How text looks to a person where a device has nothing of its own. */
return new class extends Migration {
    public function up(): void
    {
        DB::statement('alter table people add column reading jsonb');
        DB::statement("comment on column people.reading is 'how text looks on devices that have nothing of their own'");
    }
};
