<?php

declare(strict_types=1);

namespace App\Shared;

use Illuminate\Database\Migrations\Migrator;
use Illuminate\Support\Facades\DB;

/** A migration and the record that it was run, in one transaction: whatever ends it in between, it can run again. */
final class AtomicMigrator extends Migrator
{
    /**
     * @param  string  $file
     * @param  int  $batch
     * @param  bool  $pretend
     */
    protected function runUp($file, $batch, $pretend): void
    {
        DB::connection($this->connection)->transaction(fn() => parent::runUp($file, $batch, $pretend));
    }
}
