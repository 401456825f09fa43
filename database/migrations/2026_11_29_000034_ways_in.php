<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** How a library lets its patrons in: cards of its own, its own system, a school's sign-in. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            create table sign_in_ways (
                library_id bigint primary key references libraries(id) on delete cascade,
                with_cards boolean not null default true,
                system text,
                school text,
                check (with_cards or school is not null)
            );
            comment on column sign_in_ways.with_cards is 'number and PIN, of its own or of its system';
            comment on column sign_in_ways.system is 'where its own system answers, encrypted; null: none is asked';
            comment on column sign_in_ways.school is 'the sign-in of a school or consortium, encrypted; null: none';

            alter table libraries add column mail_domain varchar(120);
            comment on column libraries.mail_domain is 'of a school, by which its people find it';

            alter table cards add column confirmed_at timestamptz(0);
            comment on column cards.confirmed_at is 'when the library''s own system last said that number and PIN fit';

            create table school_subjects (
                library_id bigint not null references libraries(id) on delete cascade,
                subject varchar(255) not null,
                card_id bigint not null references cards(id) on delete cascade,
                primary key (library_id, subject)
            );
            create index school_subjects_card_id_index on school_subjects (card_id);
            comment on column school_subjects.subject is 'by which the school knows whose card it is';
            SQL
            ,
        );
    }
};
