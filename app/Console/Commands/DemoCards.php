<?php

declare(strict_types=1);

namespace App\Console\Commands;

use FigPorch\Demo\Members;
use Illuminate\Console\Command;

final class DemoCards extends Command
{
    protected $signature = 'demo:cards';

    protected $description = 'Print the demo cards';

    public function handle(): int
    {
        $names = array_column(Members::LIBRARIES, 'short_name', 'slug');
        foreach (array_slice(Members::CARDS, 0, 4) as $card) {
            $this->line(sprintf('  %-16s %-14s card %s   PIN %s   (%s)', $card['name'], $names[$card['library']], $card['number'], $card['pin'], $card['group']));
        }

        return self::SUCCESS;
    }
}
