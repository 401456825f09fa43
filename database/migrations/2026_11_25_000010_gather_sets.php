<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Sets of titles by filter and common word, gathered now and then, for catalogues in which counting title by title takes too long. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('search_gatherings', function (Blueprint $table): void {
            $table->id();
            $table->uuid('key')->default(DB::raw('gen_random_uuid()'))->comment('names the folder of its copies on each machine');
            $table->timestampTz('gathered_at');
            $table->jsonb('counts')->comment('titles of each set, by its name');
        });
        Schema::create('search_sets', function (Blueprint $table): void {
            $table->foreignId('gathering_id')->constrained('search_gatherings')->cascadeOnDelete();
            $table->string('name', 200);
            $table->binary('bits')->comment('title n is bit n mod 8 of byte n div 8');
            $table->primary(['gathering_id', 'name']);
        });
        Schema::create('search_loose', function (Blueprint $table): void {
            $table->id();
            $table->bigInteger('title_id')->comment('changed since the sets were gathered; no foreign key, as it may be gone');
        });
        Schema::create('search_prefixes', function (Blueprint $table): void {
            $table->string('prefix', 8);
            $table->string('kind', 8)->comment('title, person, series or subject');
            $table->smallInteger('place')->comment('1 for the likeliest');
            $table->bigInteger('ref');
            $table->string('role', 16)->comment('of a person');
            $table->primary(['prefix', 'kind', 'place']);
        });
        // What waits to be written into an index is read through by every search until it is.
        DB::unprepared('alter index search_rows_stems set (fastupdate = off); alter index search_rows_exact set (fastupdate = off); select gin_clean_pending_list(c.oid) from pg_class c where c.relname in (\'search_rows_stems\', \'search_rows_exact\')');
        DB::unprepared((string) file_get_contents(__DIR__.'/../functions/search_loosen.sql'));
        DB::unprepared(<<<'SQL'
            alter table search_sets alter column bits set storage external;
            create trigger search_rows_loosen after insert or delete or update of format, audience, language, year, level, series_id, stems, exact, held, ready, always, paid, supplied, subjects, awards
                on search_rows for each row execute function search_loosen();
            SQL);
    }
};
