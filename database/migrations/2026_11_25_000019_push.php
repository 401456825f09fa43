<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Notices on the devices of a person (Web Push). */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('push_devices', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('person_id')->constrained('people')->cascadeOnDelete();
            $table->string('endpoint', 1000)->unique();
            $table->string('key', 100)->comment('the browser’s point on P-256, base64url');
            $table->string('secret', 30)->comment('16 bytes, base64url');
            $table->timestampTz('added_at');
            $table->timestampTz('told_at')->nullable()->comment('when a notice was last taken for it');
            $table->index('person_id');
        });
        // One key says for all messages that they come from here: browsers are bound to it.
        Schema::create('push_key', function (Blueprint $table): void {
            $table->smallInteger('id')->primary();
            $table->text('private')->comment('PEM, encrypted with the application’s key');
        });
        DB::statement('alter table push_key add constraint push_key_one check (id = 1)');
        Schema::table('notice_choices', fn (Blueprint $table) => $table->boolean('pushed')->default(true));
        DB::unprepared((string) file_get_contents(__DIR__.'/../functions/lending_end_loan.sql'));
    }
};
