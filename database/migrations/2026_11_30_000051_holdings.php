<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What stands elsewhere: copies on paper, and websites. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            create table holdings (
                id bigserial primary key,
                library_id bigint not null references libraries(id),
                title_id bigint not null references titles(id) on delete cascade,
                place varchar(120) not null,
                call_number varchar(80) default '' not null,
                copies smallint not null,
                numbers jsonb default '[]' not null,
                constraint holdings_copies check (copies between 1 and 999)
            );
            create unique index holdings_once on holdings (title_id, library_id, place, call_number);
            create index holdings_library_id on holdings (library_id);
            comment on column holdings.numbers is 'by which the library''s own system knows each copy';

            create table links (
                id bigserial primary key,
                library_id bigint not null references libraries(id),
                title_id bigint not null references titles(id) on delete cascade,
                address varchar(1000) not null,
                about varchar(200) default '' not null,
                open_to varchar(10) not null,
                ask_at timestamptz(0) not null,
                asked_at timestamptz(0),
                tries smallint default 0 not null,
                trouble varchar(20),
                moved_to varchar(1000),
                dead_at timestamptz(0),
                constraint links_open_to check (open_to in ('everybody', 'card', 'building')),
                constraint links_dead check (dead_at is null or trouble is not null)
            );
            create unique index links_once on links (title_id, library_id, address);
            create index links_ask_at on links (ask_at);
            create index links_library_id on links (library_id, dead_at);
            comment on column links.ask_at is 'when it is looked at next';
            comment on column links.tries is 'one after another that found it not to be there';

            alter table record_imports add links varchar(10),
                add constraint record_imports_links check (links in ('everybody', 'card', 'building'));
            comment on column record_imports.links is 'what has an address is a website, for these';
            SQL
            ,
        );
    }

    public function down(): void
    {
        DB::unprepared('alter table record_imports drop links; drop table links, holdings');
    }
};
