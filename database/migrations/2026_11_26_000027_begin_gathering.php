<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A gathering is announced before it begins to read, so that what changes while the first one reads is noted too. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared("alter table search_gatherings alter column gathered_at drop not null; comment on column search_gatherings.gathered_at is 'null while it is being gathered, and of one that was broken off'");
    }
};
