<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * What every loan pays for, though it concerns few of them: a trigger before an update takes the row by itself before it is written, and a
 * trigger's condition is read anew with each statement, the longer the dearer.
 */
return new class extends Migration
{
    public function up(): void
    {
        $changed = '(old.model, old.starts_at, old.ends_at, old.shared) is distinct from (new.model, new.starts_at, new.ends_at, new.shared)';
        // The first copy that comes free, the last that goes: one of the two counts is none. More often than needed where none is left of the
        // other; then nothing is found to have changed.
        $flipped = '0 in (old.copies_free, new.copies_free, old.loans_left, new.loans_left)';
        DB::unprepared(<<<SQL
            drop trigger licences_model on licences;
            create trigger licences_model after insert or update of model, copies, loans_bought, starts_at, ends_at, price_cents, shared on licences
                for each row execute function licences_as_their_model_says();
            drop trigger licences_flip on licences;
            drop trigger licences_settle_flip on licences;
            create trigger licences_flip after update of copies_free, loans_left on licences for each row when ({$flipped}) execute function search_touched();
            create constraint trigger licences_settle_flip after update of copies_free, loans_left on licences deferrable initially deferred
                for each row when ({$flipped}) execute function search_settle();
            create trigger licences_change after update of model, starts_at, ends_at, shared on licences for each row when ({$changed}) execute function search_touched();
            create constraint trigger licences_settle_change after update of model, starts_at, ends_at, shared on licences deferrable initially deferred
                for each row when ({$changed}) execute function search_settle();
            SQL);
        foreach (['lending_borrow', 'lending_pass_on'] as $function) {
            DB::unprepared((string) file_get_contents(__DIR__."/../functions/{$function}.sql"));
        }
    }
};
