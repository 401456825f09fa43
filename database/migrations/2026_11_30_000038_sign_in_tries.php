<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** How many wrong tries to sign in there were, of each card and of each address. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            create table sign_in_tries (
                of_hash char(40) primary key,
                free_at timestamptz not null
            );
            comment on column sign_in_tries.of_hash is 'SHA-1 of what was tried: a card or an address';
            comment on column sign_in_tries.free_at is
                'when all its tries are free again; after it the row says nothing';
            create index sign_in_tries_free_at_index on sign_in_tries (free_at);
            SQL
            ,
        );
    }
};
