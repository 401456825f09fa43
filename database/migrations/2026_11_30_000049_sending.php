<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What people have sent to their e-reader, by mail, and to a folder of their own. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            create table e_readers (
                person_id bigint primary key references people(id) on delete cascade,
                address varchar(254) not null,
                code_hash varchar(100),
                tries smallint default 0 not null,
                asked_at timestamptz(0) not null,
                confirmed_at timestamptz(0)
            );

            create table folders (
                person_id bigint primary key references people(id) on delete cascade,
                address varchar(500) not null,
                name varchar(200) not null,
                secret text not null,
                kept_at timestamptz(0) not null
            );
            comment on column folders.secret is 'encrypted';

            create table sendings (
                id bigserial primary key,
                person_id bigint not null references people(id) on delete cascade,
                loan_id bigint references loans(id) on delete cascade,
                goods varchar(12) not null,
                facts jsonb not null,
                name varchar(500) not null,
                way varchar(8) not null,
                destination varchar(500) not null,
                locale varchar(5) not null,
                state varchar(8) default 'waiting' not null,
                why varchar(20),
                asked_at timestamptz(0) not null,
                ended_at timestamptz(0),
                constraint sendings_state check (state in ('waiting', 'going', 'sent', 'failed')),
                constraint sendings_why check ((state = 'failed') = (why is not null))
            );
            create unique index sendings_once on sendings (person_id, way, goods, facts)
                where state in ('waiting', 'going');
            create index sendings_loan_id on sendings (loan_id);
            create index sendings_asked_at on sendings (asked_at);
            SQL
            ,
        );
    }

    public function down(): void
    {
        DB::unprepared('drop table sendings, folders, e_readers');
    }
};
