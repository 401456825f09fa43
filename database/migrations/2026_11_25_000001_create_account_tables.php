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
        Schema::create('consortia', function (Blueprint $table): void {
            $table->id();
            $table->string('name');
        });
        Schema::create('libraries', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('consortium_id')->nullable()->constrained('consortia');
            $table->string('slug')->unique();
            $table->string('name');
            $table->string('short_name');
            $table->string('place');
            $table->string('timezone');
            $table->string('pin_contact');
        });
        Schema::create('people', function (Blueprint $table): void {
            $table->id();
            $table->string('name');
            $table->string('email')->nullable();
            $table->string('locale', 5)->default('en');
            $table->boolean('keeps_history')->default(false);
            $table->rememberToken();
            $table->timestampTz('created_at')->useCurrent();
        });
        Schema::create('cards', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('library_id')->constrained();
            $table->foreignId('person_id')->constrained('people');
            $table->string('number', 32);
            $table->string('pin_hash')->nullable();
            $table->string('patron_group', 24);
            $table->timestampTz('expires_at')->nullable();
            $table->timestampTz('blocked_at')->nullable();
            $table->integer('loans_open')->default(0);
            $table->integer('holds_open')->default(0);
            $table->unique(['library_id', 'number']);
            $table->index('person_id');
        });
        DB::statement('alter table cards add constraint cards_counts check (loans_open >= 0 and holds_open >= 0)');
        DB::statement('alter table cards set (fillfactor = 60)');

        Schema::create('notices', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('person_id')->constrained('people')->cascadeOnDelete();
            $table->string('kind', 40);
            $table->string('event_key', 80)->comment('one notice for one event');
            $table->jsonb('facts');
            $table->timestampTz('created_at');
            $table->timestampTz('read_at')->nullable();
            $table->timestampTz('mailed_at')->nullable();
            $table->unique(['person_id', 'event_key']);
        });

        Schema::create('sessions', function (Blueprint $table): void {
            $table->string('id')->primary();
            $table->foreignId('user_id')->nullable()->index();
            $table->string('ip_address', 45)->nullable();
            $table->text('user_agent')->nullable();
            $table->longText('payload');
            $table->integer('last_activity')->index();
        });
        Schema::create('cache', function (Blueprint $table): void {
            $table->string('key')->primary();
            $table->mediumText('value');
            $table->integer('expiration')->index();
        });
        Schema::create('cache_locks', function (Blueprint $table): void {
            $table->string('key')->primary();
            $table->string('owner');
            $table->integer('expiration')->index();
        });
        Schema::create('jobs', function (Blueprint $table): void {
            $table->id();
            $table->string('queue')->index();
            $table->longText('payload');
            $table->unsignedTinyInteger('attempts');
            $table->unsignedInteger('reserved_at')->nullable();
            $table->unsignedInteger('available_at');
            $table->unsignedInteger('created_at');
        });
        Schema::create('failed_jobs', function (Blueprint $table): void {
            $table->id();
            $table->string('uuid')->unique();
            $table->text('connection');
            $table->text('queue');
            $table->longText('payload');
            $table->longText('exception');
            $table->timestamp('failed_at')->useCurrent();
        });
    }
};
