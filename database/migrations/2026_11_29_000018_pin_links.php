<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            create table pin_links (
                card_id bigint not null,
                key_hash char(64) not null,
                made_at timestamptz(0) not null,
                constraint pin_links_pkey primary key (card_id),
                constraint pin_links_key_hash_unique unique (key_hash),
                constraint pin_links_card_id_foreign foreign key (card_id) references cards(id) on delete cascade
            );
            comment on table pin_links is
                'links by which a patron who forgot their PIN sets another; until used, half an hour at most';
            SQL
            ,
        );
    }
};
