<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Chapters are read from the contents, which know where each begins. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('publications', fn (Blueprint $table) => $table->dropColumn('chapters'));
    }
};
