<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** How loud each part of sound and video is, and where it is silent. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            create table part_sounds (
                sha256 char(64) not null,
                path varchar(1024) not null,
                loudness double precision,
                peak double precision,
                silences jsonb default '[]' not null,
                primary key (sha256, path),
                check ((loudness is null) = (peak is null))
            );
            comment on table part_sounds is 'what was measured of the parts of a publication''s file, once it was';
            comment on column part_sounds.loudness is 'LUFS, by EBU R 128; null where nothing is heard';
            comment on column part_sounds.peak is 'dBTP';
            comment on column part_sounds.silences is 'from and to of each, in seconds';
            SQL
            ,
        );
    }

    public function down(): void
    {
        DB::unprepared('drop table part_sounds');
    }
};
