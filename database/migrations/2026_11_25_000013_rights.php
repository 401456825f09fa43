<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What a licence lets one do beside reading, and the pages that each loan has printed or copied. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('licences', function (Blueprint $table): void {
            $table->integer('pages_allowed')->nullable()->default(20)->comment('that each loan may print or copy; null for as many as one likes');
            $table->boolean('chapters_as_pdf')->default(false);
            $table->boolean('offline')->default(true)->comment('may be taken offline');
            $table->boolean('download')->default(false)->comment('its files may be had without protection');
        });
        Schema::create('pages_taken', function (Blueprint $table): void {
            $table->foreignId('loan_id')->constrained()->cascadeOnDelete();
            $table->integer('page');
            $table->primary(['loan_id', 'page']);
        });
        Schema::table('publications', function (Blueprint $table): void {
            $table->jsonb('lengths')->default('[]')->comment('bytes of text of each document in the reading order');
            $table->jsonb('page_list')->default('[]')->comment('[[label, document, offset], …]');
            $table->jsonb('chapters')->default('[]')->comment('[[label, document, offset], …]');
        });
    }
};
