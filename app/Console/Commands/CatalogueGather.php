<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Actions\Catalogue\GatherPrefixes;
use App\Actions\Catalogue\GatherSets;
use Illuminate\Console\Command;

/** Makes broad searches of a large catalogue quick; a small one has no need of it. */
final class CatalogueGather extends Command
{
    protected $signature = 'catalogue:gather {--due : only if the catalogue is large and enough of it has changed}';

    protected $description = 'Gather the titles of each filter and each common word as sets, by which broad searches are counted';

    public function handle(GatherSets $gather, GatherPrefixes $prefixes): int
    {
        $now = now()->toImmutable();
        if ($this->option('due') && ! $gather->isDue($now)) {
            return self::SUCCESS;
        }
        $begun = microtime(true);
        $sets = $gather($now);
        if ($sets === 0) {
            $this->info('Another process is gathering them at this moment.');

            return self::SUCCESS;
        }
        $beginnings = $prefixes();
        $this->info(sprintf('%d sets and %d beginnings of words gathered in %.0f s.', $sets, $beginnings, microtime(true) - $begun));

        return self::SUCCESS;
    }
}
