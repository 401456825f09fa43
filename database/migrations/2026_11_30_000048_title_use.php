<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** When a library's copies of a title were last put to use, counted every night. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            create table title_use (
                library_id bigint not null references libraries(id) on delete cascade,
                title_id bigint not null references titles(id) on delete cascade,
                last_at timestamptz(0) not null,
                primary key (library_id, title_id)
            );
            create index title_use_last_at on title_use (library_id, last_at);
            create index title_use_title_id on title_use (title_id);
            comment on column title_use.last_at is 'when one was last lent, or its licence began';
            insert into title_use (library_id, title_id, last_at)
                select li.library_id, li.title_id, max(greatest(li.starts_at, u.last_lent_at))
                from licences li left join licence_use u on u.licence_id = li.id group by 1, 2;
            SQL
            ,
        );
    }

    public function down(): void
    {
        DB::unprepared('drop table title_use');
    }
};
