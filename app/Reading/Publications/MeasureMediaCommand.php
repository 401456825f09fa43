<?php

declare(strict_types=1);

namespace App\Reading\Publications;

use App\Models\PartSound;
use App\Models\Publication;
use App\Shared\OneAtATime;
use Illuminate\Console\Command;
use Illuminate\Database\Query\Builder;

/** Run every minute: what has come since. */
final class MeasureMediaCommand extends Command
{
    protected $signature = 'catalogue:measure-media';

    protected $description = 'Measure how loud sound and video are that were not measured yet';

    public function handle(MeasureMedia $measure): int
    {
        OneAtATime::run(self::class, function () use ($measure): void {
            $measured = 0;
            $unmeasured = Publication::query()
                ->whereNotNull('parts')
                ->whereNotExists(
                    fn(Builder $sounds) => $sounds->from('part_sounds')->whereColumn('sha256', 'publications.sha256'),
                );
            foreach ($unmeasured->lazyById(10) as $publication) {
                $measure($publication);
                $measured++;
            }
            PartSound::query()
                ->whereNotExists(
                    fn(Builder $of) => $of->from('publications')->whereColumn('sha256', 'part_sounds.sha256'),
                )
                ->delete();
            $this->line("{$measured} measured.");
        });

        return self::SUCCESS;
    }
}
