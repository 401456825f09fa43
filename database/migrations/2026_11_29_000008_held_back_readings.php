<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            alter table supplier_readings
                add skipped integer default 0 not null,
                add missing integer default 0 not null,
                add held_back boolean default false not null;
            comment on column supplier_readings.skipped is 'entries that could not be understood';
            comment on column supplier_readings.missing is 'titles offered before that it does not have';
            comment on column supplier_readings.held_back is
                'what is missing is so much that staff must say whether it is offered no more';
            SQL
            ,
        );
    }
};
