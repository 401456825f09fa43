<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Magazines that patrons follow, each with one of their cards. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('follows', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('card_id')->constrained()->cascadeOnDelete();
            $table->foreignId('series_id')->constrained('series')->cascadeOnDelete();
            $table->boolean('borrows')->comment('the next issue is borrowed, not only told of');
            $table->timestampTz('looked_at', 6)->comment('issues that came before were known');
            $table->unique(['card_id', 'series_id']);
            $table->index('series_id');
        });
    }
};
