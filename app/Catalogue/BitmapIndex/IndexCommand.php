<?php

declare(strict_types=1);

namespace App\Catalogue\BitmapIndex;

use App\Catalogue\Suggestions\IndexPrefixes;
use Carbon\CarbonImmutable;
use Illuminate\Console\Command;

/** Makes broad searches of a large catalogue quick; a small one has no need of it. */
final class IndexCommand extends Command
{
    protected $signature =
        'search:index {what? : records, or lending; both if nothing is said} {--due : only if ' .
        'the catalogue is large and enough of it has changed}';

    protected $description = 'Gather the titles of each filter and common word, by which broad searches are counted';

    public function handle(IndexBitmaps $gather, IndexPrefixes $prefixes): int
    {
        $asked = (string) $this->argument('what');
        $kinds = $asked === '' ? IndexPart::cases() : array_filter([IndexPart::tryFrom($asked)]);
        if ($kinds === []) {
            $this->error("search:index does not know '{$asked}'. It takes records or lending.");

            return self::INVALID;
        }
        foreach ($kinds as $what) {
            $now = CarbonImmutable::now();
            $begun = microtime(true);
            $gathered = !$this->option('due') || $gather->isDue($what, $now) ? $gather($what, $now) : null;
            if ($gathered === 0) {
                $this->info("Another process is gathering {$what->value} at this moment.");
            } elseif ($gathered !== null) {
                $this->info(
                    sprintf('%d sets of %s gathered in %.0f s.', $gathered, $what->value, microtime(true) - $begun),
                );
            }
            if ($what === IndexPart::Records && $prefixes->isDue()) {
                $this->info(sprintf('%d beginnings of words gathered.', $prefixes()));
            }
        }

        return self::SUCCESS;
    }
}
