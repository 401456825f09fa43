<?php

declare(strict_types=1);

namespace App\Exchange\Supplier;

use Illuminate\Support\Facades\DB;

/** What a whole reading of the supplier's catalogue does not have is offered no more. */
final class TakeReading
{
    /** @return bool whether it could be taken: it must be whole, and the last */
    public function __invoke(int $reading): bool
    {
        return DB::transaction(function () use ($reading): bool {
            $last = DB::table('supplier_readings')
                ->whereNotNull('ended_at')
                ->whereNull('problem')
                ->orderByDesc('id')
                ->lockForUpdate()
                ->first();
            if ($last === null || $last->id !== $reading) {
                return false;
            }
            DB::table('supplied_titles')->where('seen_at', '<', $last->begun_at)->delete();
            DB::update('update search_rows s set supplied = exists (select from supplied_titles t
                where t.title_id = s.title_id)
                where supplied <> exists (select from supplied_titles t where t.title_id = s.title_id)');
            DB::table('supplier_readings')
                ->where('id', $reading)
                ->update(['held_back' => false]);

            return true;
        });
    }
}
