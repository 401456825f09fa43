<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Who works where, as what; who has been asked to; and what they changed. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            create table staff_posts (
                staff_member_id bigint not null,
                library_id bigint not null,
                role varchar(12) not null,
                constraint staff_posts_pkey primary key (staff_member_id, library_id),
                constraint staff_posts_staff_member_id_foreign foreign key (staff_member_id) references
                    staff_members(id) on delete cascade,
                constraint staff_posts_library_id_foreign foreign key (library_id) references libraries(id)
            );
            create index staff_posts_library_id_index on staff_posts (library_id);
            comment on table staff_posts is 'who has left everywhere has none, and cannot sign in';
            -- Until now everybody could do everything.
            insert into staff_posts (staff_member_id, library_id, role) select id, library_id, 'director'
                from staff_members;
            comment on column staff_members.library_id is 'where they are when they sign in';

            create table staff_invitations (
                id bigserial,
                library_id bigint not null,
                email varchar(200) not null,
                role varchar(12) not null,
                key_hash char(64) not null,
                invited_by bigint not null,
                invited_at timestamptz(0) not null,
                constraint staff_invitations_pkey primary key (id),
                constraint staff_invitations_library_id_email_unique unique (library_id, email),
                constraint staff_invitations_key_hash_unique unique (key_hash),
                constraint staff_invitations_library_id_foreign foreign key (library_id) references libraries(id),
                constraint staff_invitations_invited_by_foreign foreign key (invited_by) references staff_members(id)
            );

            create table desk_changes (
                id bigserial,
                library_id bigint not null,
                staff_member_id bigint not null,
                what varchar(40) not null,
                subject varchar(200) not null,
                facts jsonb not null,
                changed_at timestamptz(0) not null,
                constraint desk_changes_pkey primary key (id),
                constraint desk_changes_library_id_foreign foreign key (library_id) references libraries(id),
                constraint desk_changes_staff_member_id_foreign foreign key (staff_member_id) references
                    staff_members(id)
            );
            create index desk_changes_of_library on desk_changes (library_id, changed_at, id);
            create index desk_changes_changed_at_index on desk_changes (changed_at);
            comment on table desk_changes is 'the audit trail: never what a patron reads';
            comment on column desk_changes.subject is 'of what or whom, as staff know it';
            comment on column desk_changes.facts is '{"what": [before, after]}';
            SQL
            ,
        );
    }
};
