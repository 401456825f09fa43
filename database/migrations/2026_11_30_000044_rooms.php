<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Rooms that libraries make and name themselves. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            create table rooms (
                id bigserial primary key,
                library_id bigint not null references libraries(id),
                slug varchar(40) not null,
                names jsonb not null default '{}',
                about jsonb not null default '{}',
                audience varchar(8),
                ages jsonb not null default '[]',
                position smallint not null,
                constraint rooms_library_id_slug_unique unique (library_id, slug)
            );
            comment on table rooms is 'of libraries that have arranged their own; the others have the usual four';
            alter table staff_lists alter column room type varchar(40);
            SQL
            ,
        );
    }
};
