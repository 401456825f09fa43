<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What a library tells all of its patrons, or those of some groups, or in some rooms. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            create table messages (
                id bigserial primary key,
                library_id bigint not null references libraries(id) on delete cascade,
                texts jsonb not null,
                rooms jsonb not null default '[]',
                groups jsonb not null default '[]',
                is_important boolean not null default false,
                first_day date not null,
                last_day date,
                told_at timestamptz(0),
                check (last_day is null or last_day >= first_day)
            );
            comment on column messages.texts is
                '{"en": {"title": …, "text": Markdown}} in each language that it is written in';
            comment on column messages.rooms is 'in which it stands; in none: on the front door and on Porches';
            comment on column messages.groups is 'of patrons whom it is for; none: for everybody';
            comment on column messages.told_at is 'when an important one was sent';
            create index messages_library_id_index on messages (library_id, first_day);

            create table messages_put_away (
                person_id bigint not null references people(id) on delete cascade,
                message_id bigint not null references messages(id) on delete cascade,
                primary key (person_id, message_id)
            );
            SQL
            ,
        );
    }
};
