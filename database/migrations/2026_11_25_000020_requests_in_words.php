<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Requests for titles that no catalogue here knows: in the patron's words, until staff say which title it is. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('requests', function (Blueprint $table): void {
            $table->foreignId('title_id')->nullable()->change();
            $table->string('name', 200)->nullable()->comment('in the words of who asked');
            $table->string('people', 200)->nullable();
            $table->string('format', 12)->nullable();
            $table->string('number', 20)->nullable()->comment('a standard number with its check digit verified');
        });
        DB::unprepared("alter table requests add constraint requests_of_something check (title_id is not null or name is not null);
            create index requests_in_words on requests (library_id, asked_at) where title_id is null and state = 'open'");
    }
};
