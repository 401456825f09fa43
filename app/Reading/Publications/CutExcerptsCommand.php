<?php

declare(strict_types=1);

namespace App\Reading\Publications;

use App\Models\Publication;
use Illuminate\Console\Command;
use Throwable;

/** After an upgrade that changes what anyone may have of a book. */
final class CutExcerptsCommand extends Command
{
    protected $signature = 'catalogue:cut-excerpts';

    protected $description = 'Cut the excerpts of all ebooks anew, from the files that are stored';

    public function handle(CutExcerpts $cut): int
    {
        $done = $failed = 0;
        foreach (Publication::query()->lazyById(50) as $publication) {
            try {
                $done += $cut($publication) ? 1 : 0;
            } catch (Throwable $fault) {
                // What cannot be cut is not shown; the others are.
                $publication->update(['excerpt_sizes' => [], 'excerpt_positions' => []]);
                $this->error("Title {$publication->title_id} has no excerpt now: {$fault->getMessage()}");
                $failed++;
            }
        }
        $this->info("{$done} excerpts cut anew.");

        return $failed === 0 ? self::SUCCESS : self::FAILURE;
    }
}
