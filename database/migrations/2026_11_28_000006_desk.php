<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** What staff changed. */
return new class extends Migration {
    public function up(): void
    {
        // In a database from before, "from_before" has made these tables what they are here.
        if (Schema::hasTable('licence_changes')) {
            return;
        }
        DB::unprepared(
            <<<'SQL'
            create table licence_changes (
                id bigserial,
                licence_id bigint not null,
                staff_member_id bigint not null,
                what varchar(12) not null,
                facts jsonb not null,
                changed_at timestamptz(0) not null,
                order_id uuid not null,
                constraint licence_changes_order_id_unique unique (order_id),
                constraint licence_changes_pkey primary key (id),
                constraint licence_changes_licence_id_foreign foreign key (licence_id) references licences(id),
                constraint licence_changes_staff_member_id_foreign foreign key (staff_member_id) references
                    staff_members(id)
            );
            create index licence_changes_licence_id_index on licence_changes (licence_id);
            comment on column licence_changes.order_id is 'of the form that asked for it: sent twice, done once';
            SQL
            ,
        );
    }
};
