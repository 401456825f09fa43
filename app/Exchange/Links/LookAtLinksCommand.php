<?php

declare(strict_types=1);

namespace App\Exchange\Links;

use Carbon\CarbonImmutable;
use Illuminate\Console\Command;

final class LookAtLinksCommand extends Command
{
    protected $signature = 'links:look';

    protected $description = 'Look whether the websites that libraries point to are there, those whose time has come';

    public function handle(LookAtLinks $look): int
    {
        $this->line("{$look(CarbonImmutable::now())} looked at.");

        return self::SUCCESS;
    }
}
