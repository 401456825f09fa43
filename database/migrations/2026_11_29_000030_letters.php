<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What patrons and visitors write to a library, and what it answers. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            create table letters (
                id bigserial primary key,
                library_id bigint not null references libraries(id) on delete cascade,
                person_id bigint references people(id) on delete cascade,
                name varchar(120) not null,
                email varchar(255),
                locale varchar(5) not null,
                about varchar(300) not null default '',
                waits boolean not null default true,
                last_at timestamptz(0) not null,
                check (person_id is not null or email is not null)
            );
            comment on column letters.person_id is
                'whose card it was written with; without, the answer goes by mail alone';
            comment on column letters.waits is 'for an answer';
            create index letters_library_id_index on letters (library_id, waits, last_at);
            create index letters_person_id_index on letters (person_id);

            create table letter_parts (
                id bigserial primary key,
                letter_id bigint not null references letters(id) on delete cascade,
                by_staff boolean not null,
                staff_member_id bigint references staff_members(id) on delete set null,
                text text not null,
                written_at timestamptz(0) not null
            );
            create index letter_parts_letter_id_index on letter_parts (letter_id);
            SQL
            ,
        );
    }
};
