<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** How the catalogue is used, without who uses it, and who may fetch reports of that. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            create table usage_events (
                id bigserial primary key,
                library_id bigint not null references libraries(id),
                happened_at timestamptz not null,
                visit bytea not null,
                act varchar(12) not null,
                title_id bigint references titles(id) on delete cascade,
                words bigint,
                constraint usage_events_act check (act in
                    ('search', 'record', 'excerpt', 'citation', 'reading', 'file', 'no_copy', 'no_licence')),
                constraint usage_events_what check ((act = 'search') = (title_id is null)
                    and (act = 'search') = (words is not null))
            );
            create index usage_events_happened_at on usage_events (happened_at);
            create index usage_events_title_id on usage_events (title_id);
            comment on table usage_events is 'those that are not added up yet';
            comment on column usage_events.visit is 'of a session, with the secret of the day';
            comment on column usage_events.words is 'what is reckoned from the words of a search';

            create table usage_counts (
                library_id bigint not null references libraries(id),
                month date not null,
                title_id bigint references titles(id) on delete cascade,
                searches integer default 0 not null,
                investigations integer default 0 not null,
                unique_investigations integer default 0 not null,
                requests integer default 0 not null,
                unique_requests integer default 0 not null,
                limit_exceeded integer default 0 not null,
                no_licence integer default 0 not null,
                constraint usage_counts_once unique nulls not distinct (library_id, month, title_id)
            );
            create index usage_counts_title_id on usage_counts (title_id);
            comment on column usage_counts.title_id is 'none for searches';

            create table usage_days (day date primary key, secret bytea not null);

            create table counter_keys (
                id bigserial primary key,
                library_id bigint not null references libraries(id),
                name varchar(100) not null,
                requestor_id varchar(40) not null constraint counter_keys_requestor_id unique,
                key_hash char(64) not null,
                staff_member_id bigint not null references staff_members(id),
                made_at timestamptz(0) not null,
                used_at timestamptz(0)
            );
            create index counter_keys_library_id_index on counter_keys (library_id);
            create index counter_keys_staff_member_id on counter_keys (staff_member_id);
            SQL
            ,
        );
    }

    public function down(): void
    {
        DB::unprepared('drop table counter_keys, usage_days, usage_counts, usage_events');
    }
};
