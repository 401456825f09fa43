<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** People, series, subjects and awards of what a library has, counted every night, to be leafed through from A to Z. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            create table index_entries (
                library_id bigint not null references libraries(id) on delete cascade,
                kind varchar(8) not null,
                entry_id bigint,
                name varchar(255) not null,
                sort_name varchar(255) not null collate "und-x-icu",
                letter varchar(1) not null,
                titles integer not null,
                constraint index_entries_kind check (kind in ('people', 'series', 'subjects', 'awards'))
            );
            create index index_entries_by_name on index_entries (library_id, kind, letter, sort_name, name);
            create index index_entries_by_sort_name on index_entries (library_id, kind, sort_name, name);
            create index index_entries_by_titles on index_entries (library_id, kind, titles desc, sort_name, name);
            comment on column index_entries.entry_id is 'of contributors, series or subjects; awards have none';
            comment on column index_entries.letter is 'A to Z; # for all else';
            SQL
            ,
        );
    }

    public function down(): void
    {
        DB::unprepared('drop table index_entries');
    }
};
