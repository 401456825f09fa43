<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Files of records at the Desk: read, looked at, taken in. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            create table record_imports (
                id bigserial primary key,
                library_id bigint not null references libraries(id),
                staff_member_id bigint not null references staff_members(id),
                name varchar(255) not null,
                terms varchar(200),
                stage varchar(12) not null,
                problem varchar(500),
                asked_at timestamptz(0) not null,
                applied_at timestamptz(0),
                constraint record_imports_stage
                    check (stage in ('reading', 'unreadable', 'read', 'applying', 'applied'))
            );
            create index record_imports_library_id_index on record_imports (library_id, id);
            comment on column record_imports.terms is 'of a licence for each title that the library has none of';

            create table record_import_rows (
                id bigserial primary key,
                record_import_id bigint not null references record_imports(id) on delete cascade,
                number integer not null,
                outcome varchar(12) not null,
                name varchar(500),
                title_id bigint references titles(id) on delete set null,
                fields jsonb,
                why text,
                marc text,
                chosen boolean default false not null,
                as_title boolean default false not null,
                done boolean default false not null,
                made boolean default false not null,
                constraint record_import_rows_outcome check
                    (outcome in ('new', 'changed', 'unchanged', 'doubtful', 'refused'))
            );
            create index record_import_rows_import_index on record_import_rows (record_import_id, outcome, id);
            create index record_import_rows_to_do on record_import_rows (record_import_id, id)
                where chosen and not done;
            create index record_import_rows_title_id_index on record_import_rows (title_id);
            comment on column record_import_rows.number is 'in the file, from 1';
            comment on column record_import_rows.fields is 'those that are another than they were';
            comment on column record_import_rows.as_title is 'it is the title that it is like: that gets what it says';
            comment on column record_import_rows.made is 'the title is of this record: nobody had it before';
            comment on column record_import_rows.marc is 'MARCXML, as it was understood; until it is done';
            SQL
            ,
        );
    }
};
