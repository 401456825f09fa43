<?php

declare(strict_types=1);

namespace App\Desk\Setup;

use Illuminate\Console\Command;

final class SetupLinkCommand extends Command
{
    protected $signature = 'library:link';

    protected $description = 'Print the link by which the first member of staff makes the first library';

    public function handle(SetupLink $link): int
    {
        $key = $link->make();
        if ($key === null) {
            $this->info('Somebody works here already: they sign in at ' . route('desk.sign-in') . '.');

            return self::SUCCESS;
        }
        $this->line(route('setup', $key));

        return self::SUCCESS;
    }
}
