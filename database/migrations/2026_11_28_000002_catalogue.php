<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Records, lists and baskets, saved searches, and what is indexed for searching. */
return new class extends Migration {
    public function up(): void
    {
        // In a database from before, "from_before" has made these tables what they are here.
        if (Schema::hasTable('titles')) {
            return;
        }
        DB::unprepared(
            <<<'SQL'
            create extension if not exists pg_trgm;
            create extension if not exists fuzzystrmatch;

            create text search dictionary fig_english (template = snowball, language = english);
            create text search dictionary fig_spanish (template = snowball, language = spanish);
            create text search configuration fig_exact (copy = simple);
            create text search configuration fig_en (copy = simple);
            create text search configuration fig_es (copy = simple);
            alter text search configuration fig_en alter mapping for asciiword, word, numword with fig_english;
            alter text search configuration fig_es alter mapping for asciiword, word, numword with fig_spanish;

            -- An index is built on it, so that it is part of the tables and no file of database/functions.
            -- A word, and what each of its letters leaves when it is left out. Two words of which one letter is wrong,
            -- missing or too many, or of which two neighbours have changed places, have one of these in common.
            create function one_left_out(word text) returns text[] immutable strict parallel safe language sql as $$
                select array_agg(distinct left(word, n - 1) || substr(word, n + 1))
                    from generate_series(1, length(word) + 1) n
            $$;

            create table works (
                id bigserial,
                name varchar(500) not null,
                match_key varchar(700) not null,
                constraint works_match_key_unique unique (match_key),
                constraint works_pkey primary key (id)
            );
            comment on column works.match_key is 'folded name and first contributor';

            create table series (
                id bigserial,
                name varchar(255) not null,
                words tsvector,
                constraint series_name_unique unique (name),
                constraint series_pkey primary key (id)
            );
            create index series_words on series using gin (words);

            create table subjects (
                id bigserial,
                name varchar(255) not null,
                words tsvector,
                constraint subjects_name_unique unique (name),
                constraint subjects_pkey primary key (id)
            );
            create index subjects_words on subjects using gin (words);

            create table contributors (
                id bigserial,
                name varchar(255) not null,
                sort_name varchar(255) not null,
                words tsvector,
                constraint contributors_name_unique unique (name),
                constraint contributors_pkey primary key (id)
            );
            create index contributors_sort_name_index on contributors (sort_name);
            create index contributors_words on contributors using gin (words);

            create table titles (
                id bigserial,
                work_id bigint not null,
                record_key varchar(120) not null,
                format varchar(12) not null,
                name varchar(500) not null,
                subtitle varchar(500),
                edition varchar(255),
                language varchar(16),
                audience varchar(8) default 'adult' not null,
                description text,
                publisher varchar(255),
                published varchar(10),
                isbn varchar(13),
                identifiers jsonb default '[]' not null,
                series_id bigint,
                series_position numeric(8,2),
                extent integer not null,
                extent_seconds integer,
                accessibility jsonb default '{}' not null,
                cover_file varchar(255),
                times_borrowed integer default 0 not null,
                added_at timestamptz(0) not null,
                awards jsonb default '[]' not null,
                level numeric(4,1),
                fiction boolean,
                age_from smallint,
                age_to smallint,
                numbers text[] default '{}'::text[] not null,
                constraint titles_pkey primary key (id),
                constraint titles_record_key_unique unique (record_key),
                constraint titles_series_id_foreign foreign key (series_id) references series(id),
                constraint titles_work_id_foreign foreign key (work_id) references works(id)
            );
            create index titles_added_at_index on titles (added_at);
            create index titles_isbn_index on titles (isbn);
            create index titles_name on titles (lower((name)::text));
            create index titles_numbers on titles using gin (numbers);
            create index titles_work_id_index on titles (work_id);
            comment on column titles.record_key is 'where the record came from; the same record twice is one title';
            comment on column titles.published is 'year, year-month or whole ISO 8601 date';
            comment on column titles.extent is 'pages, seconds, or tracks where extent_seconds is set too';
            comment on column titles.level is 'reading grade level, from the text';
            comment on column titles.fiction is 'null where the record does not say';

            create table contributor_title (
                title_id bigint not null,
                contributor_id bigint not null,
                role varchar(16) not null,
                "position" smallint not null,
                constraint contributor_title_pkey primary key (title_id, contributor_id, role),
                constraint contributor_title_contributor_id_foreign foreign key (contributor_id) references
                    contributors(id),
                constraint contributor_title_title_id_foreign foreign key (title_id) references titles(id) on delete
                    cascade
            );
            create index contributor_title_role on contributor_title (contributor_id, role, title_id);

            create table subject_title (
                title_id bigint not null,
                subject_id bigint not null,
                constraint subject_title_pkey primary key (title_id, subject_id),
                constraint subject_title_subject_id_foreign foreign key (subject_id) references subjects(id),
                constraint subject_title_title_id_foreign foreign key (title_id) references titles(id) on delete cascade
            );
            create index subject_title_subject on subject_title (subject_id, title_id);

            create table title_neighbours (
                title_id bigint not null,
                other_id bigint not null,
                people integer not null,
                constraint title_neighbours_pkey primary key (title_id, other_id),
                constraint title_neighbours_other_id_foreign foreign key (other_id) references titles(id) on delete
                    cascade,
                constraint title_neighbours_title_id_foreign foreign key (title_id) references titles(id) on delete
                    cascade
            );
            comment on column title_neighbours.people is 'how many borrowed both; never fewer than ten';

            create table staff_lists (
                id bigserial,
                library_id bigint not null,
                name varchar(255) not null,
                note text,
                "position" smallint not null,
                room varchar(8) default 'reading' not null,
                words varchar(400),
                shows_from date,
                shows_until date,
                constraint staff_lists_pkey primary key (id),
                constraint staff_lists_library_id_foreign foreign key (library_id) references libraries(id)
            );
            create index staff_lists_library_id_room_index on staff_lists (library_id, room);
            comment on column staff_lists.words is 'a list made by a search; without, by hand';
            comment on column staff_lists.shows_until is 'the last day';

            create table staff_list_title (
                staff_list_id bigint not null,
                title_id bigint not null,
                "position" smallint not null,
                constraint staff_list_title_pkey primary key (staff_list_id, title_id),
                constraint staff_list_title_staff_list_id_foreign foreign key (staff_list_id) references
                    staff_lists(id) on
                    delete cascade,
                constraint staff_list_title_title_id_foreign foreign key (title_id) references titles(id) on delete
                    cascade
            );

            create table baskets (
                id bigserial,
                person_id bigint,
                browser_key varchar(40),
                parent_id bigint,
                name varchar(120) not null,
                note text,
                "position" integer not null,
                share_key varchar(40),
                created_at timestamptz(0) not null,
                constraint baskets_pkey primary key (id),
                constraint baskets_share_key_unique unique (share_key),
                constraint baskets_parent_id_foreign foreign key (parent_id) references baskets(id) on delete cascade,
                constraint baskets_person_id_foreign foreign key (person_id) references people(id) on delete cascade
            );
            create index baskets_browser_key_index on baskets (browser_key);
            create index baskets_parent_id_index on baskets (parent_id);
            create index baskets_person_id_index on baskets (person_id);
            comment on column baskets.browser_key is 'whose it is before anyone has signed in';

            create table basket_title (
                basket_id bigint not null,
                title_id bigint not null,
                "position" integer not null,
                note text,
                added_at timestamptz(0) not null,
                constraint basket_title_pkey primary key (basket_id, title_id),
                constraint basket_title_basket_id_foreign foreign key (basket_id) references baskets(id) on delete
                    cascade,
                constraint basket_title_title_id_foreign foreign key (title_id) references titles(id) on delete cascade
            );

            create table saved_searches (
                id bigserial,
                person_id bigint not null,
                library_id bigint not null,
                name varchar(120) not null,
                search jsonb not null,
                tells boolean not null,
                looked_at timestamptz(0) not null,
                constraint saved_searches_pkey primary key (id),
                constraint saved_searches_library_id_foreign foreign key (library_id) references libraries(id),
                constraint saved_searches_person_id_foreign foreign key (person_id) references people(id) on delete
                    cascade
            );
            create index saved_searches_person_id_index on saved_searches (person_id);
            comment on column saved_searches.search is 'values of a query string';

            create table saved_search_titles (
                saved_search_id bigint not null,
                title_id bigint not null,
                told_at timestamptz(0) not null,
                constraint saved_search_titles_pkey primary key (saved_search_id, title_id),
                constraint saved_search_titles_saved_search_id_foreign foreign key (saved_search_id) references
                    saved_searches(id) on delete cascade,
                constraint saved_search_titles_title_id_foreign foreign key (title_id) references titles(id) on delete
                    cascade
            );

            create table search_rows (
                title_id bigint not null,
                format varchar(12) not null,
                audience varchar(8) not null,
                language varchar(8),
                year smallint,
                level numeric(4,1),
                series_id bigint,
                times_borrowed integer default 0 not null,
                added_at timestamptz not null,
                stems tsvector not null,
                exact tsvector not null,
                held integer[] default '{}'::integer[] not null,
                ready integer[] default '{}'::integer[] not null,
                always integer[] default '{}'::integer[] not null,
                paid integer[] default '{}'::integer[] not null,
                supplied boolean default false not null,
                sure_from timestamptz default '-infinity' not null,
                sure_until timestamptz default 'infinity' not null,
                subjects integer[] default '{}'::integer[] not null,
                awards text[] default '{}'::text[] not null,
                fiction boolean,
                age_from smallint default 18 not null,
                age_to smallint default 99 not null,
                constraint search_rows_pkey primary key (title_id),
                constraint search_rows_title_id_fkey foreign key (title_id) references titles(id) on delete cascade
            ) with (fillfactor=85, toast_tuple_target=128);
            alter table search_rows alter column stems set storage external;
            alter table search_rows alter column exact set storage external;
            alter table search_rows alter column held set storage main;
            alter table search_rows alter column ready set storage main;
            alter table search_rows alter column always set storage main;
            alter table search_rows alter column paid set storage main;
            alter table search_rows alter column subjects set storage main;
            alter table search_rows alter column awards set storage main;
            create index search_rows_added on search_rows (added_at desc, title_id);
            create index search_rows_borrowed on search_rows (times_borrowed desc, title_id);
            create index search_rows_exact on search_rows using gin (exact) WITH (fastupdate=off);
            create index search_rows_held on search_rows using gin (held);
            create index search_rows_series on search_rows (series_id, title_id) where (series_id is not null);
            create index search_rows_stems on search_rows using gin (stems) WITH (fastupdate=off);
            create index search_rows_sure_from on search_rows (sure_from);
            create index search_rows_sure_until on search_rows (sure_until);

            create table search_words (
                word varchar(40) not null,
                titles integer default 1 not null,
                constraint search_words_pkey primary key (word)
            );
            create index search_words_alike on search_words using gin (word gin_trgm_ops);
            create index search_words_one_left_out on search_words using gin (one_left_out((word)::text));

            create table search_gatherings (
                id bigserial,
                key uuid default gen_random_uuid() not null,
                gathered_at timestamptz(0),
                paired integer,
                of text not null,
                constraint search_gatherings_of_check check (of = any (array['records', 'lending'])),
                constraint search_gatherings_pkey primary key (id)
            );
            comment on column search_gatherings.key is 'names the folder of its copies on each machine';
            comment on column search_gatherings.gathered_at is
                'null while it is being gathered, and of one that was broken '
                'off';
            comment on column search_gatherings.paired is
                'words are paired that by chance so many titles would have both '
                'of';

            create table search_sets (
                gathering_id bigint not null,
                name varchar(200) not null,
                bits bytea not null,
                shared bytea,
                constraint search_sets_pkey primary key (gathering_id, name),
                constraint search_sets_gathering_id_foreign foreign key (gathering_id) references
                    search_gatherings(id) on
                    delete cascade
            );
            alter table search_sets alter column bits set storage external;
            comment on column search_sets.bits is 'numbers of titles, in the portable format of the RoaringFormatSpec';
            comment on column search_sets.shared is
                'titles in common with each subject, the subjects with the most titles '
                'first: four bytes each, the lowest first';

            create table search_rare_words (
                gathering_id bigint not null,
                word text not null collate "C",
                constraint search_rare_words_pkey primary key (gathering_id, word),
                constraint search_rare_words_gathering_id_fkey foreign key (gathering_id) references
                    search_gatherings(id)
                    on delete cascade
            );
            comment on table search_rare_words is 'words too rare for sets of their own';

            create table search_index_changes (
                id bigserial,
                title_id bigint not null,
                of text not null,
                constraint search_index_changes_pkey primary key (id)
            );
            comment on column search_index_changes.title_id is
                'changed since the sets were gathered; no foreign key, as it '
                'may be gone';
            comment on column search_index_changes.of is 'since which gathering it has changed';

            create table search_names (
                id integer not null,
                words tsvector not null,
                about json not null,
                constraint search_names_pkey primary key (id)
            );
            comment on column search_names.about is
                'kind, id, role, name and titles, of a title its edition and format; '
                '"many": more titles than are listed';

            create table search_prefixes (
                prefix varchar(8) not null collate "C",
                kind varchar(8) not null collate "C",
                place smallint not null,
                name_id integer not null,
                constraint search_prefixes_pkey primary key (prefix, kind, place) include (name_id)
            );
            comment on column search_prefixes.kind is 'title, person, series or subject';
            comment on column search_prefixes.place is '1 for the likeliest';
            SQL
            ,
        );
    }
};
