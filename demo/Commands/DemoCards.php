<?php

declare(strict_types=1);

namespace FigPorch\Demo\Commands;

use FigPorch\Demo\Members;
use Illuminate\Console\Command;

final class DemoCards extends Command
{
    protected $signature = 'demo:cards';

    protected $description = 'Print the demo cards, and who can sign in at the Desk';

    public function handle(): int
    {
        $names = array_column(Members::LIBRARIES, 'short_name', 'slug');
        foreach (array_slice(Members::CARDS, 0, 4) as $card) {
            $this->line(
                sprintf(
                    '  %-16s %-14s card %s   PIN %s   (%s)',
                    $card['name'],
                    $names[$card['library']],
                    $card['number'],
                    $card['pin'],
                    $card['group'],
                ),
            );
        }
        $this->newLine();
        foreach (array_slice(Members::STAFF, 0, 2) as $staff) {
            $this->line(
                sprintf(
                    '  %-16s %-14s at the Desk   %-26s %s',
                    $staff['name'],
                    $names[$staff['library']],
                    $staff['email'],
                    $staff['password'],
                ),
            );
        }

        return self::SUCCESS;
    }
}
