<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** The audit trail is found by parts of what it says. */
return new class extends Migration {
    public function up(): void
    {
        DB::statement("create index desk_changes_sought on desk_changes
            using gin (lower(subject || ' ' || facts::text) gin_trgm_ops)");
    }
};
