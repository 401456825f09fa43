<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * One narrow row for each title that searching reads: its words as they are and by their stems, and what is filtered by.
 * Who can get it is asked of the licences, so that availability never rewrites the text index.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('titles', function (Blueprint $table): void {
            $table->jsonb('awards')->default('[]');
            $table->decimal('level', 4, 1)->nullable()->comment('reading grade level, from the text');
        });
        Schema::table('people', function (Blueprint $table): void {
            $table->jsonb('pins')->nullable()->comment('filters kept for the next search');
        });
        DB::unprepared(<<<'SQL'
            create text search dictionary fig_english (template = snowball, language = english);
            create text search dictionary fig_spanish (template = snowball, language = spanish);
            create text search configuration fig_exact (copy = simple);
            create text search configuration fig_en (copy = simple);
            create text search configuration fig_es (copy = simple);
            alter text search configuration fig_en alter mapping for asciiword, word, numword with fig_english;
            alter text search configuration fig_es alter mapping for asciiword, word, numword with fig_spanish;

            create extension if not exists pg_trgm;
            create extension if not exists fuzzystrmatch;
            create table search_words (word varchar(40) primary key, titles int not null default 1);
            create index search_words_alike on search_words using gin (word gin_trgm_ops);

            create table search_rows (
                title_id bigint primary key references titles on delete cascade,
                format varchar(12) not null, audience varchar(8) not null, language varchar(8), year smallint, level numeric(4, 1), series_id bigint,
                times_borrowed int not null default 0, added_at timestamptz not null,
                stems tsvector not null, exact tsvector not null
            ) with (fillfactor = 85);
            create index search_rows_stems on search_rows using gin (stems);
            create index search_rows_exact on search_rows using gin (exact);
            create index search_rows_series on search_rows (series_id) where series_id is not null;
            create index search_rows_added on search_rows (added_at desc, title_id);

            alter table contributors add column words tsvector;
            alter table series add column words tsvector;
            alter table subjects add column words tsvector;
            create index contributors_words on contributors using gin (words);
            create index series_words on series using gin (words);
            create index subjects_words on subjects using gin (words);
            create index contributor_title_role on contributor_title (contributor_id, role);
            alter table titles drop column words;
            SQL);
    }
};
