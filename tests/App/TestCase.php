<?php

declare(strict_types=1);

namespace Tests\App;

use Carbon\CarbonImmutable;
use Illuminate\Foundation\Testing\TestCase as LaravelTestCase;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;

/** Against a real PostgreSQL, emptied before each test; nothing is wrapped in a transaction, so commits are real. */
abstract class TestCase extends LaravelTestCase
{
    use Lantern;

    private static bool $migrated = false;

    protected function setUp(): void
    {
        parent::setUp();
        if (! self::$migrated) {
            Artisan::call('migrate:fresh');
            self::$migrated = true;
        }
        $tables = array_column(DB::select("select tablename from pg_tables where schemaname = 'public' and tablename <> 'migrations'"), 'tablename');
        DB::statement('truncate '.implode(', ', $tables).' restart identity');
        $this->travelTo(CarbonImmutable::parse('2026-05-01 12:00:00', 'UTC'));
        $this->withoutVite();
    }
}
