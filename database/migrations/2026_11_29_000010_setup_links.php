<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            create table setup_links (
                key_hash char(64) not null,
                made_at timestamptz(0) not null,
                constraint setup_links_pkey primary key (key_hash)
            );
            comment on table setup_links is 'the link by which the first member of staff comes in, until it is used';
            SQL
            ,
        );
    }
};
