<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What staff know of a card, and how they find it among two hundred thousand. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            alter table cards add column block_reason varchar(300), add column class varchar(60);
            alter table cards add constraint cards_block_reason check (block_reason is null or blocked_at is not null);
            comment on column cards.block_reason is 'as the patron reads it';
            comment on column cards.class is 'at a school: the class that the patron is in';
            create index cards_of_library on cards (library_id, id);
            create index cards_number_begins on cards (library_id, number varchar_pattern_ops);
            create index cards_of_group on cards (library_id, patron_group);
            create index cards_of_class on cards (library_id, class) where class is not null;
            create index cards_blocked on cards (library_id, id) where blocked_at is not null;
            create index cards_expiring on cards (library_id, expires_at) where expires_at is not null;

            -- Small letters without accents; its expression stands in FindPatrons too.
            alter table people add column sought text generated always as (regexp_replace(normalize(lower(name || ' ' ||
                coalesce(email, '')), nfkd), U&'[\0300-\036F]', '', 'g')) stored;
            create index people_sought on people using gin (sought gin_trgm_ops);

            alter table desk_changes add column card_id bigint;
            alter table desk_changes add constraint desk_changes_card_id_foreign foreign key (card_id) references
                cards(id) on delete set null;
            create index desk_changes_of_card on desk_changes (card_id, changed_at) where card_id is not null;
            SQL
            ,
        );
    }
};
