<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            create table licence_use (
                licence_id bigint not null,
                lent integer not null,
                last_lent_at timestamptz(0) not null,
                constraint licence_use_pkey primary key (licence_id),
                constraint licence_use_licence_id_foreign foreign key (licence_id) references licences(id)
                    on delete cascade
            );
            comment on table licence_use is 'how often and when last each licence was lent, as counted last night';
            insert into licence_use select licence_id, count(*), max(started_at) from loans group by licence_id;
            SQL
            ,
        );
    }
};
