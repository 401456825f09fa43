<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Bookmarks, highlights and notes, written by devices that may be off line: the last change of each counts, whenever it arrives. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('marks', function (Blueprint $table): void {
            $table->uuid('id')->primary()->comment('made by the device');
            $table->foreignId('person_id')->constrained('people')->cascadeOnDelete();
            $table->foreignId('title_id')->constrained()->cascadeOnDelete();
            $table->jsonb('locator')->comment('a Readium Locator');
            $table->string('label', 300)->comment('where it is, in words');
            $table->string('note', 4000);
            $table->string('colour', 10)->nullable()->comment('of a highlight; a bookmark has none');
            $table->timestampTz('made_at', 3);
            $table->timestampTz('changed_at', 3);
            $table->boolean('removed')->default(false)->comment('kept, so that an older change that arrives later does not bring it back');
            $table->index(['person_id', 'title_id']);
        });
        DB::statement("alter table marks add check (note = '' or not removed)");
    }
};
