<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Who is here already needs no tour. */
return new class extends Migration {
    public function up(): void
    {
        DB::statement('alter table people add column toured boolean not null default true');
        DB::statement('alter table people alter column toured set default false');
    }
};
