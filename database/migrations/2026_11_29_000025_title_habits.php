<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            create table title_habits (
                library_id bigint not null,
                title_id bigint not null,
                early integer not null,
                loans integer not null,
                constraint title_habits_pkey primary key (library_id, title_id),
                constraint title_habits_library_id_foreign foreign key (library_id) references libraries(id),
                constraint title_habits_title_id_foreign foreign key (title_id) references titles(id)
            );
            comment on table title_habits is
                'how loans of a library''s licences of a title have ended in two years, as measured last night';
            comment on column title_habits.early is 'of so many loans, those returned well before their due time';
            SQL
            ,
        );
    }
};
