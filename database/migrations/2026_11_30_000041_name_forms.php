<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Other forms of the names of people, series and subjects. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            create table name_forms (
                kind varchar(12) not null,
                form varchar(255) not null,
                entry_id bigint not null,
                constraint name_forms_pkey primary key (kind, form)
            );
            create index name_forms_entry on name_forms (kind, entry_id);
            comment on table name_forms is 'by which records of files and suppliers may name an entry, too';
            comment on column name_forms.kind is 'person, series or subject';
            alter table batches alter column what type varchar(24);
            SQL
            ,
        );
    }
};
