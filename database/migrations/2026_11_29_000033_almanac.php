<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What a person who keeps a history has read and heard, and when: theirs alone. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            create table almanac_titles (
                person_id bigint not null references people(id) on delete cascade,
                title_id bigint not null references titles(id) on delete cascade,
                begun_at timestamptz(0) not null,
                last_at timestamptz(0) not null,
                finished_at timestamptz(0),
                stars smallint check (stars between 1 and 5),
                word varchar(500) not null default '',
                left_out boolean not null default false,
                primary key (person_id, title_id)
            );

            create table readings (
                person_id bigint not null references people(id) on delete cascade,
                title_id bigint not null references titles(id) on delete cascade,
                begins timestamptz(3) not null,
                ends timestamptz(3) not null,
                seconds integer not null,
                pages integer not null default 0,
                check (ends > begins)
            );
            comment on column readings.seconds is 'read, or of sound and film played as at their own speed';
            create index readings_person_id_index on readings (person_id, begins);

            alter table people add column goals jsonb;
            comment on column people.goals is 'of their own: minutes a day, titles a month';
            SQL
            ,
        );
    }
};
