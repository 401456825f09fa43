<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What loan rules were, are, and will be from a day on. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            create table loan_rule_changes (
                id bigserial,
                library_id bigint not null,
                staff_member_id bigint not null,
                patron_group varchar(24),
                format varchar(12),
                before jsonb not null,
                after jsonb not null,
                asked_at timestamptz(0) not null,
                applies_at timestamptz(0) not null,
                state varchar(10) not null,
                constraint loan_rule_changes_pkey primary key (id),
                constraint loan_rule_changes_state check (state in ('planned', 'done', 'withdrawn')),
                constraint loan_rule_changes_library_id_foreign foreign key (library_id) references libraries(id),
                constraint loan_rule_changes_staff_member_id_foreign foreign key (staff_member_id) references
                    staff_members(id)
            );
            create index loan_rule_changes_of_library on loan_rule_changes (library_id, id);
            create index loan_rule_changes_planned on loan_rule_changes (applies_at) where state = 'planned';
            comment on column loan_rule_changes.before is '{"column": "as one writes it"}; of the changed ones alone';

            alter table file_imports add column put_away boolean default false not null;
            comment on column file_imports.put_away is 'staff have seen why it was refused';
            SQL
            ,
        );
    }
};
