<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Sets that were gathered before do not say what is part of a series: they are gathered anew. */
return new class extends Migration
{
    public function up(): void
    {
        DB::table('search_gatherings')->delete();
    }
};
