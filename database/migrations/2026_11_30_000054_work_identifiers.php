<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What publishers say that all editions of a work have in common. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            alter table titles add works jsonb default '[]' not null;
            comment on column titles.works is 'identifiers of its work, as its record gives them';

            create table work_identifiers (
                identifier varchar(255) primary key,
                work_id bigint not null references works(id) on delete cascade
            );
            create index work_identifiers_work_id on work_identifiers (work_id);
            comment on table work_identifiers is
                'of which work a record is that gives the identifier: that which had it first';
            SQL
            ,
        );
    }

    public function down(): void
    {
        DB::unprepared('drop table work_identifiers; alter table titles drop works');
    }
};
