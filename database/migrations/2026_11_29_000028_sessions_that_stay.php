<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Who wants to stay signed in does so without use, too. */
return new class extends Migration {
    public function up(): void
    {
        DB::statement('alter table sessions add column stays boolean not null default false');
    }
};
