<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What records say and what lending decides are gathered each by itself. What was gathered before is gathered anew. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            delete from search_gatherings;
            delete from search_loose;
            alter table search_gatherings alter column paired drop not null, add column of text not null check (of in ('records', 'lending'));
            alter table search_loose add column of text not null;
            comment on column search_loose.of is 'since which gathering it has changed';
            drop trigger search_rows_loosen on search_rows;
            SQL);
        DB::unprepared((string) file_get_contents(__DIR__.'/../functions/search_loosen.sql'));
        DB::unprepared(<<<'SQL'
            create trigger search_rows_come_or_go after insert or delete on search_rows for each row execute function search_loosen('records', 'lending');
            create trigger search_rows_told after update of format, audience, language, year, level, series_id, stems, exact, supplied, subjects, awards
                on search_rows for each row execute function search_loosen('records');
            create trigger search_rows_lent after update of held, ready, always, paid on search_rows for each row execute function search_loosen('lending');
            SQL);
    }
};
