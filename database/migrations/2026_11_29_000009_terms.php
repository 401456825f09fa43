<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Nobody is named for long beside what they asked for. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            alter table requests alter column card_id drop not null,
                add constraint requests_open_have_card check (state <> 'open' or card_id is not null);
            comment on column requests.card_id is 'until a while after the answer';
            SQL
            ,
        );
    }
};
