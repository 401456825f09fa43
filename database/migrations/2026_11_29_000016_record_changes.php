<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What staff changed in records; the word of staff stands when a file or a supplier says something else later. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            create table record_changes (
                id bigserial,
                title_id bigint not null,
                library_id bigint not null,
                staff_member_id bigint not null,
                before jsonb not null,
                after jsonb not null,
                changed_at timestamptz(0) not null,
                undone boolean default false not null,
                constraint record_changes_pkey primary key (id),
                constraint record_changes_title_id_foreign foreign key (title_id) references titles(id) on delete
                    cascade,
                constraint record_changes_library_id_foreign foreign key (library_id) references libraries(id),
                constraint record_changes_staff_member_id_foreign foreign key (staff_member_id) references
                    staff_members(id)
            );
            create index record_changes_title_id_index on record_changes (title_id, id);
            comment on column record_changes.before is '{"field": "text"}; of the changed ones alone';
            alter table titles add column edited_fields jsonb;
            comment on column titles.edited_fields is 'in which the word of staff stands';
            SQL
            ,
        );
    }
};
