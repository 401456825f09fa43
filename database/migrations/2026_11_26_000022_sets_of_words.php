<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Sets are compressed and say themselves how many they are; words have sets by their stems and as they are, and those too rare for one are known. What was gathered before is gathered anew. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            delete from search_gatherings;
            alter table search_gatherings drop column counts, add column paired int not null;
            comment on column search_gatherings.paired is 'words are paired that by chance so many titles would have both of';
            comment on column search_sets.bits is 'numbers of titles, in the portable format of the RoaringFormatSpec';
            create table search_rare_words (
                gathering_id bigint not null references search_gatherings on delete cascade,
                word text collate "C" not null,
                primary key (gathering_id, word)
            );
            comment on table search_rare_words is 'words too rare for sets of their own';
            SQL);
    }
};
