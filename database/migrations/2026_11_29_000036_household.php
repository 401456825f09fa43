<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Cards of children that an adult looks after. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            create table household_cards (
                person_id bigint not null references people(id) on delete cascade,
                card_id bigint not null references cards(id) on delete cascade,
                since timestamptz(0) not null,
                primary key (person_id, card_id)
            );
            comment on column household_cards.person_id is 'who looks after the card';
            create index household_cards_card_id_index on household_cards (card_id);
            SQL
            ,
        );
    }
};
