<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Changes of many titles at once. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            create table batches (
                id bigserial primary key,
                library_id bigint not null references libraries(id),
                staff_member_id bigint not null references staff_members(id),
                what varchar(20) not null,
                facts jsonb not null,
                chosen varchar(300) not null,
                stage varchar(12) not null,
                asked_at timestamptz(0) not null,
                applied_at timestamptz(0),
                undone_at timestamptz(0)
            );
            create index batches_library_id_index on batches (library_id, id);
            comment on column batches.chosen is 'how its titles were chosen, in words';

            create table batch_rows (
                id bigserial primary key,
                batch_id bigint not null references batches(id) on delete cascade,
                title_id bigint references titles(id) on delete cascade,
                given varchar(120),
                outcome varchar(12) not null,
                note jsonb,
                done boolean default false not null,
                undo jsonb,
                kept varchar(20)
            );
            create index batch_rows_batch_id_index on batch_rows (batch_id, outcome, id);
            create index batch_rows_title_id_index on batch_rows (title_id);
            comment on column batch_rows.undo is 'what brings it back, once it is done';
            comment on column batch_rows.kept is 'why undoing left it as it is';

            -- A licence that nobody has borrowed with goes with all that is said of it when a batch is undone.
            alter table licence_changes drop constraint licence_changes_licence_id_foreign,
                add constraint licence_changes_licence_id_foreign foreign key (licence_id) references licences(id)
                    on delete cascade;
            alter table licence_use drop constraint licence_use_licence_id_foreign,
                add constraint licence_use_licence_id_foreign foreign key (licence_id) references licences(id)
                    on delete cascade;
            SQL
            ,
        );
    }
};
