<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What is suggested stands ready as it is asked for, gathered with the sets from one moment's catalogue. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create table search_names (
                id integer primary key,
                words tsvector not null,
                about json not null
            );
            comment on column search_names.about is 'kind, id, role, name and titles, of a title its edition and format; "many": more titles than are listed';
            -- Empty until they are gathered anew.
            drop table search_prefixes;
            create table search_prefixes (
                prefix varchar(8) collate "C" not null,
                kind varchar(8) collate "C" not null,
                place smallint not null,
                name_id integer not null,
                primary key (prefix, kind, place) include (name_id)
            );
            comment on column search_prefixes.kind is 'title, person, series or subject';
            comment on column search_prefixes.place is '1 for the likeliest';
            SQL);
        DB::unprepared((string) file_get_contents(__DIR__.'/../functions/names_begun.sql'));
    }
};
