<?php

declare(strict_types=1);

namespace FigPorch\Demo\Commands;

use App\Models\Library;
use Carbon\CarbonImmutable;
use FigPorch\Demo\LoadDemo;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

final class DemoLoad extends Command
{
    protected $signature =
        'demo:load {--books=180 : how many ebooks to invent beside those written by hand} ' .
        '{--media= : no more of audiobooks, albums and films each than this; they take a minute to make}';

    protected $description = 'Fill an empty database with the demo library';

    public function handle(LoadDemo $load): int
    {
        if (Library::query()->exists()) {
            $this->error('There is a library here already. bin/start --fresh starts over.');

            return self::FAILURE;
        }
        // All of it or nothing: a load that was broken off is begun anew at the next start.
        DB::transaction(
            fn() => $load(
                CarbonImmutable::now(),
                fn(string $done) => $this->line("    {$done}"),
                (int) $this->option('books'),
                is_numeric($this->option('media')) ? (int) $this->option('media') : null,
            ),
        );

        return self::SUCCESS;
    }
}
