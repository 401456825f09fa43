<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('works', function (Blueprint $table): void {
            $table->id();
            $table->string('name', 500);
            $table->string('match_key', 700)->unique()->comment('folded name and first contributor');
        });
        Schema::create('series', function (Blueprint $table): void {
            $table->id();
            $table->string('name')->unique();
        });
        Schema::create('subjects', function (Blueprint $table): void {
            $table->id();
            $table->string('name')->unique();
        });
        Schema::create('contributors', function (Blueprint $table): void {
            $table->id();
            $table->string('name')->unique();
            $table->string('sort_name')->index();
        });
        Schema::create('titles', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('work_id')->constrained();
            $table->string('record_key', 120)->unique()->comment('where the record came from; the same record twice is one title');
            $table->string('format', 12);
            $table->string('name', 500);
            $table->string('subtitle', 500)->nullable();
            $table->string('edition')->nullable();
            $table->string('language', 16)->nullable();
            $table->string('audience', 8)->default('adult');
            $table->text('description')->nullable();
            $table->string('publisher')->nullable();
            $table->string('published', 10)->nullable()->comment('year, year-month or whole ISO 8601 date');
            $table->string('isbn', 13)->nullable()->index();
            $table->jsonb('identifiers')->default('[]');
            $table->foreignId('series_id')->nullable()->constrained('series');
            $table->decimal('series_position', 8, 2)->nullable();
            $table->integer('extent')->comment('pages, seconds, or tracks where extent_seconds is set too');
            $table->integer('extent_seconds')->nullable();
            $table->jsonb('accessibility')->default('{}');
            $table->string('cover_file')->nullable();
            $table->integer('times_borrowed')->default(0);
            $table->timestampTz('added_at');
            $table->index('added_at');
            $table->index('work_id');
        });
        DB::statement('alter table titles add column words tsvector');
        DB::statement('create index titles_words on titles using gin (words)');

        Schema::create('contributor_title', function (Blueprint $table): void {
            $table->foreignId('title_id')->constrained()->cascadeOnDelete();
            $table->foreignId('contributor_id')->constrained();
            $table->string('role', 16);
            $table->smallInteger('position');
            $table->primary(['title_id', 'contributor_id', 'role']);
            $table->index('contributor_id');
        });
        Schema::create('subject_title', function (Blueprint $table): void {
            $table->foreignId('title_id')->constrained()->cascadeOnDelete();
            $table->foreignId('subject_id')->constrained();
            $table->primary(['title_id', 'subject_id']);
            $table->index('subject_id');
        });
        Schema::create('staff_lists', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('library_id')->constrained();
            $table->string('name');
            $table->text('note')->nullable();
            $table->smallInteger('position');
        });
        Schema::create('staff_list_title', function (Blueprint $table): void {
            $table->foreignId('staff_list_id')->constrained()->cascadeOnDelete();
            $table->foreignId('title_id')->constrained()->cascadeOnDelete();
            $table->smallInteger('position');
            $table->primary(['staff_list_id', 'title_id']);
        });
    }
};
