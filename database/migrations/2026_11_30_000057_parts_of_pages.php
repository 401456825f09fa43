<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Of a page that is copied in part, that part is counted. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            alter table pages_taken add column starts double precision, add column ends double precision;
            update pages_taken set starts = page - 1, ends = page;
            alter table pages_taken drop column page, alter column starts set not null, alter column ends set not null,
                add constraint pages_taken_pkey primary key (loan_id, starts),
                add constraint pages_taken_span check (starts >= 0 and ends > starts);
            comment on table pages_taken is
                'what a loan printed or copied: spans in pages, page n from n - 1 to n, none that touch';
            SQL
            ,
        );
    }

    public function down(): void
    {
        DB::unprepared(
            <<<'SQL'
            alter table pages_taken rename to spans_taken;
            create table pages_taken (
                loan_id bigint not null references loans(id) on delete cascade,
                page integer not null,
                primary key (loan_id, page)
            );
            insert into pages_taken select distinct loan_id, page
                from spans_taken, generate_series(floor(starts)::int + 1, ceil(ends)::int) page;
            drop table spans_taken;
            SQL
            ,
        );
    }
};
