<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** The files of titles, and where and what people read, mark and print in them. */
return new class extends Migration {
    public function up(): void
    {
        // In a database from before, "from_before" has made these tables what they are here.
        if (Schema::hasTable('publications')) {
            return;
        }
        DB::unprepared(
            <<<'SQL'
            create table publications (
                id bigserial,
                title_id bigint not null,
                sha256 varchar(64) not null,
                media_type varchar(255) not null,
                bytes bigint not null,
                fixed_layout boolean not null,
                right_to_left boolean not null,
                sizes jsonb not null,
                types jsonb not null,
                positions jsonb not null,
                excerpt_sizes jsonb not null,
                excerpt_positions jsonb not null,
                contents jsonb default '[]' not null,
                parts jsonb,
                excerpt_parts jsonb,
                lengths jsonb default '[]' not null,
                page_list jsonb default '[]' not null,
                constraint publications_pkey primary key (id),
                constraint publications_sha256_unique unique (sha256),
                constraint publications_title_id_unique unique (title_id),
                constraint publications_title_id_foreign foreign key (title_id) references titles(id) on delete cascade
            );
            comment on column publications.sizes is 'path => bytes, every file';
            comment on column publications.types is 'path => media type, as the package document says';
            comment on column publications.positions is '[[path, positions], …] in reading order';
            comment on column publications.excerpt_sizes is 'path => bytes, the files of the excerpt';
            comment on column publications.contents is 'depth and label of each entry';
            comment on column publications.parts is
                '[{path, type, name, seconds, captions: [{path, language, label}]}] in '
                'the order in which they play';
            comment on column publications.excerpt_parts is 'the same of the excerpt';
            comment on column publications.lengths is 'bytes of text of each document in the reading order';
            comment on column publications.page_list is '[[label, document, offset], …]';

            create table places (
                person_id bigint not null,
                title_id bigint not null,
                device uuid not null,
                device_name varchar(60) not null,
                locator jsonb not null,
                read_at timestamp(3) with time zone not null,
                constraint places_pkey primary key (person_id, title_id, device),
                constraint places_person_id_foreign foreign key (person_id) references people(id) on delete cascade,
                constraint places_title_id_foreign foreign key (title_id) references titles(id) on delete cascade
            );
            comment on column places.locator is 'a Readium Locator';

            create table marks (
                id uuid not null,
                person_id bigint not null,
                title_id bigint not null,
                locator jsonb not null,
                label varchar(300) not null,
                note varchar(4000) not null,
                colour varchar(10),
                made_at timestamp(3) with time zone not null,
                changed_at timestamp(3) with time zone not null,
                removed boolean default false not null,
                constraint marks_check check ((note = '') or (not removed)),
                constraint marks_pkey primary key (id),
                constraint marks_person_id_foreign foreign key (person_id) references people(id) on delete cascade,
                constraint marks_title_id_foreign foreign key (title_id) references titles(id) on delete cascade
            );
            create index marks_person_id_title_id_index on marks (person_id, title_id);
            comment on column marks.id is 'made by the device';
            comment on column marks.locator is 'a Readium Locator';
            comment on column marks.label is 'where it is, in words';
            comment on column marks.colour is 'of a highlight; a bookmark has none';
            comment on column marks.removed is
                'kept, so that an older change that arrives later does not bring it back';

            create table pages_taken (
                loan_id bigint not null,
                page integer not null,
                constraint pages_taken_pkey primary key (loan_id, page),
                constraint pages_taken_loan_id_foreign foreign key (loan_id) references loans(id) on delete cascade
            );
            SQL
            ,
        );
    }
};
