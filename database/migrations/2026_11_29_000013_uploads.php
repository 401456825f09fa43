<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Files that staff send: part by part, then taken in by the queue. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            create table uploads (
                id uuid not null,
                library_id bigint not null,
                staff_member_id bigint not null,
                name varchar(255) not null,
                bytes bigint not null,
                received bigint default 0 not null,
                begun_at timestamptz(0) not null,
                constraint uploads_pkey primary key (id),
                constraint uploads_received check (received between 0 and bytes),
                constraint uploads_library_id_foreign foreign key (library_id) references libraries(id),
                constraint uploads_staff_member_id_foreign foreign key (staff_member_id) references staff_members(id)
            );
            create index uploads_begun_at_index on uploads (begun_at);
            comment on column uploads.received is 'bytes that have come; the file is whole with all of them';

            create table file_imports (
                id bigserial,
                library_id bigint not null,
                staff_member_id bigint not null,
                upload_id uuid,
                name varchar(255) not null,
                terms varchar(120),
                audience varchar(8),
                state varchar(12) not null,
                words text,
                title_id bigint,
                asked_at timestamptz(0) not null,
                ended_at timestamptz(0),
                constraint file_imports_pkey primary key (id),
                constraint file_imports_state check (state in ('waiting', 'at_work', 'taken_in', 'known', 'refused')),
                constraint file_imports_library_id_foreign foreign key (library_id) references libraries(id),
                constraint file_imports_staff_member_id_foreign foreign key (staff_member_id) references
                    staff_members(id),
                constraint file_imports_upload_id_foreign foreign key (upload_id) references uploads(id) on delete
                    set null,
                constraint file_imports_title_id_foreign foreign key (title_id) references titles(id) on delete set null
            );
            create index file_imports_of_library on file_imports (library_id, id);
            comment on column file_imports.terms is 'of the licence that each gets, as LicenceTerms reads it';

            create table card_imports (
                id bigserial,
                library_id bigint not null,
                staff_member_id bigint not null,
                name varchar(255) not null,
                settings jsonb not null,
                stage varchar(12) not null,
                problem varchar(40),
                problem_facts jsonb,
                asked_at timestamptz(0) not null,
                applied_at timestamptz(0),
                undone_at timestamptz(0),
                constraint card_imports_pkey primary key (id),
                constraint card_imports_stage check (stage in ('reading', 'unreadable', 'read', 'applying', 'applied',
                    'undoing', 'undone')),
                constraint card_imports_library_id_foreign foreign key (library_id) references libraries(id),
                constraint card_imports_staff_member_id_foreign foreign key (staff_member_id) references
                    staff_members(id)
            );
            create index card_imports_of_library on card_imports (library_id, id);

            create table card_import_rows (
                id bigserial,
                card_import_id bigint not null,
                line integer,
                outcome varchar(8) not null,
                given jsonb not null,
                changes jsonb,
                why varchar(40),
                card_id bigint,
                done boolean default false not null,
                kept varchar(40),
                pin text,
                constraint card_import_rows_pkey primary key (id),
                constraint card_import_rows_outcome check (outcome in ('new', 'changed', 'moved', 'left', 'same',
                    'refused')),
                constraint card_import_rows_card_import_id_foreign foreign key (card_import_id) references
                    card_imports(id) on delete cascade,
                constraint card_import_rows_card_id_foreign foreign key (card_id) references cards(id) on delete cascade
            );
            create index card_import_rows_of_import on card_import_rows (card_import_id, outcome, id);
            create index card_import_rows_card_id_index on card_import_rows (card_id);
            comment on column card_import_rows.line is 'of the file; none for who has left';
            comment on column card_import_rows.given is 'what the file says, by column';
            comment on column card_import_rows.changes is '{"column": [before, after]}';
            comment on column card_import_rows.why is 'why it is refused';
            comment on column card_import_rows.kept is 'why undoing left it as it is';
            comment on column card_import_rows.pin is 'encrypted, until staff have them';
            SQL
            ,
        );
    }
};
