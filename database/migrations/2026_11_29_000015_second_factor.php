<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            alter table staff_members add column second_factor text, add column second_factor_step bigint,
                add column recovery_codes jsonb;
            comment on column staff_members.second_factor is 'the secret of one-time codes, encrypted; none: off';
            comment on column staff_members.second_factor_step is 'of the last code that was taken';
            comment on column staff_members.recovery_codes is 'hashes of those that are left';
            SQL
            ,
        );
    }
};
