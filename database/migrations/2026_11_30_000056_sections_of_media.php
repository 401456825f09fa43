<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** The contents of what plays lead to its parts, as those of a text to its documents. */
return new class extends Migration {
    public function up(): void
    {
        DB::statement(
            'update publications set contents = (
                select coalesce(jsonb_agg(jsonb_build_array(entry->0, entry->1, number - 1) order by number), \'[]\')
                from jsonb_array_elements(contents) with ordinality as of(entry, number))
            where parts is not null and jsonb_array_length(contents) > 0',
        );
    }

    public function down(): void
    {
        DB::statement(
            'update publications set contents = (
                select coalesce(jsonb_agg(jsonb_build_array(entry->0, entry->1) order by number), \'[]\')
                from jsonb_array_elements(contents) with ordinality as of(entry, number))
            where parts is not null and jsonb_array_length(contents) > 0',
        );
    }
};
