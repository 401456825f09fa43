<?php

declare(strict_types=1);

namespace App\Exchange\Counter;

use App\Shared\Sql;
use DateTimeImmutable;
use DateTimeZone;
use Illuminate\Support\Facades\DB;

/**
 * Adds what happened in hours that are over to the figures of their months, and forgets it. In one statement, so that
 * whoever asks for figures sees each use once. Run every hour.
 */
final class AddUpUsage
{
    private const LOCK = 0xc0c0;

    /** After the end of an hour all that happened in it is written down. */
    private const PATIENCE = '-5 minutes';

    public function __invoke(DateTimeImmutable $now): void
    {
        $utc = $now->modify(self::PATIENCE)->setTimezone(new DateTimeZone('UTC'));
        $until = Sql::second($utc->setTime((int) $utc->format('G'), 0));
        $columns = implode(', ', LibraryUsage::COUNTS);
        $more = implode(
            ', ',
            array_map(fn(string $of): string => "{$of} = c.{$of} + excluded.{$of}", LibraryUsage::COUNTS),
        );
        DB::transaction(function () use ($until, $columns, $more): void {
            DB::select('select pg_advisory_xact_lock(?)', [self::LOCK]);
            DB::statement(
                "with added as (insert into usage_counts as c (library_id, month, title_id, {$columns})
                        select library_id, month, title_id, {$columns} from usage_counted(?, null)
                        on conflict (library_id, month, title_id) do update set {$more})
                    delete from usage_events where happened_at < ?",
                [$until, $until],
            );
        });
    }
}
