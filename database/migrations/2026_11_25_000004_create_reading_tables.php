<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('publications', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('title_id')->unique()->constrained()->cascadeOnDelete();
            $table->string('sha256', 64)->unique();
            $table->string('media_type');
            $table->bigInteger('bytes');
            $table->boolean('fixed_layout');
            $table->boolean('right_to_left');
            $table->jsonb('sizes')->comment('path => bytes, every file');
            $table->jsonb('types')->comment('path => media type, as the package document says');
            $table->jsonb('positions')->comment('[[path, positions], …] in reading order');
            $table->jsonb('excerpt_sizes')->comment('path => bytes, the files of the excerpt');
            $table->jsonb('excerpt_positions');
        });
        Schema::create('places', function (Blueprint $table): void {
            $table->foreignId('person_id')->constrained('people')->cascadeOnDelete();
            $table->foreignId('title_id')->constrained()->cascadeOnDelete();
            $table->uuid('device');
            $table->string('device_name', 60);
            $table->jsonb('locator')->comment('a Readium Locator');
            $table->timestampTz('read_at', 3);
            $table->primary(['person_id', 'title_id', 'device']);
        });
    }
};
