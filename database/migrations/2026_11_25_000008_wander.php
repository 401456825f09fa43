<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Who can have a title is kept beside its words, in columns that no index names: a change of them rewrites no index. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            alter table search_rows
                add column held int[] not null default '{}', add column ready int[] not null default '{}', add column always int[] not null default '{}',
                add column paid int[] not null default '{}', add column supplied boolean not null default false,
                add column sure_from timestamptz not null default '-infinity', add column sure_until timestamptz not null default 'infinity';
            SQL);
        DB::unprepared((string) file_get_contents(__DIR__.'/../functions/search_availability.sql'));
        // Not every loan: only the first copy that comes free, the last that goes, and what staff and dates do.
        $flips = 'when ((old.copies_free > 0) is distinct from (new.copies_free > 0) or (old.loans_left > 0) is distinct from (new.loans_left > 0)
            or (old.model, old.starts_at, old.ends_at, old.shared) is distinct from (new.model, new.starts_at, new.ends_at, new.shared))';
        DB::unprepared(<<<SQL
            create trigger licences_touch after insert or delete on licences for each row execute function search_touched();
            create trigger licences_flip after update on licences for each row {$flips} execute function search_touched();
            create constraint trigger licences_settle after insert or delete on licences deferrable initially deferred for each row execute function search_settle();
            create constraint trigger licences_settle_flip after update on licences deferrable initially deferred for each row {$flips} execute function search_settle();
            select search_refresh(array_agg(title_id), now()) from search_rows;
            SQL);
    }
};
