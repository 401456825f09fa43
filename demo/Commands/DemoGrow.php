<?php

declare(strict_types=1);

namespace FigPorch\Demo\Commands;

use App\Models\Library;
use Carbon\CarbonImmutable;
use FigPorch\Demo\LargeCatalogue;
use Illuminate\Console\Command;

final class DemoGrow extends Command
{
    protected $signature = 'demo:grow {--titles=1000000 : how many records to invent}';

    protected $description = 'Make the demo’s catalogue large, with invented records of realistic skew';

    public function handle(LargeCatalogue $grow): int
    {
        $titles = (int) $this->option('titles');
        if ($titles < 1 || $titles > 5_000_000) {
            $this->error('Give a number of titles from 1 to 5,000,000: php artisan demo:grow --titles=1000000');

            return self::FAILURE;
        }
        if (Library::query()->where('slug', 'saltmere')->doesntExist()) {
            $this->error('There is no demo library here to grow. bin/start makes one.');

            return self::FAILURE;
        }
        $begun = microtime(true);
        $grow(
            $titles,
            CarbonImmutable::now(),
            fn(string $done) => $this->line(sprintf('    %5.0f s  %s', microtime(true) - $begun, $done)),
        );

        return self::SUCCESS;
    }
}
