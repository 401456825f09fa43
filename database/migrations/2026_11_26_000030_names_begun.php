<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What is suggested while one types is asked in one question, planned once; and so is the spelling that was meant. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- Those that are kept from before are gathered anew: not all beginnings of titles were.
            delete from search_prefixes;
            alter table search_prefixes add column titles int not null;
            comment on column search_prefixes.titles is 'how many titles bear the name, when it was gathered';

            -- A name's titles are read from an index alone.
            drop index contributor_title_role, contributor_title_contributor_id_index, subject_title_subject_id_index, search_rows_series;
            create index contributor_title_role on contributor_title (contributor_id, role, title_id);
            create index subject_title_subject on subject_title (subject_id, title_id);
            create index search_rows_series on search_rows (series_id, title_id) where series_id is not null;
            SQL);
        foreach (['search_first', 'names_begun', 'spelled_like'] as $function) {
            DB::unprepared((string) file_get_contents(__DIR__."/../functions/{$function}.sql"));
        }
    }
};
