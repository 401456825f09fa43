<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * A title whose file has not come is on order: its licences lend nothing until then. What is for older readers than a
 * card is listed for those who ask.
 */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            alter table publications add column came_at timestamptz(0) not null default '-infinity';
            alter table publications alter column came_at drop default;
            alter table licences add column file_came_at timestamptz(0);
            comment on column licences.file_came_at is 'null while its title is on order';
            update licences li set file_came_at = p.came_at from publications p where p.title_id = li.title_id;
            alter table file_imports add column for_title_id bigint references titles(id) on delete cascade;
            comment on column file_imports.for_title_id is 'the title whose file it is, where staff say so';
            alter table people add column shows_older boolean not null default false;
            comment on column people.shows_older is 'lists titles that their card may never borrow, too';
            SQL
            ,
        );
    }
};
