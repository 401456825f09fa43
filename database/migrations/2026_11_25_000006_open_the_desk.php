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
        Schema::create('staff_members', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('library_id')->constrained();
            $table->string('name');
            $table->string('email')->unique();
            $table->string('password');
            $table->rememberToken();
            $table->timestampTz('created_at')->useCurrent();
        });
        Schema::create('licence_changes', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('licence_id')->constrained();
            $table->foreignId('staff_member_id')->constrained();
            $table->string('what', 12);
            $table->jsonb('facts');
            $table->timestampTz('changed_at');
            $table->uuid('order_id')->unique()->comment('of the form that asked for it: sent twice, done once');
            $table->index('licence_id');
        });
        DB::unprepared(<<<'SQL'
            create index licences_ending on licences (library_id, ends_at) where ends_at is not null;
            create index licences_counted on licences (library_id) where loans_bought is not null;
            create index holds_library on holds (library_id, title_id) where closed_at is null;
            create index turnaways_title on turnaways (title_id, library_id, happened_at);
            SQL);
    }
};
