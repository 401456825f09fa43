<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Covers that staff send, which stand before the one in the file. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            alter table titles add column file_cover varchar(255), add column own_cover varchar(255);
            create index titles_own_cover on titles (own_cover) where own_cover is not null;
            update titles set file_cover = cover_file where cover_file is not null;
            comment on column titles.file_cover is 'the one that came in the file';
            comment on column titles.own_cover is 'the one that staff sent';
            comment on column titles.cover_file is 'the one that is shown: that of staff, else that of the file';
            SQL
            ,
        );
    }
};
