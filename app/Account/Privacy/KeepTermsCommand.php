<?php

declare(strict_types=1);

namespace App\Account\Privacy;

use Carbon\CarbonImmutable;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/** Run every hour. What is to go within minutes of a loan goes with lending:tick as well. */
final class KeepTermsCommand extends Command
{
    protected $signature = 'privacy:keep-terms';

    protected $description = 'End what is kept of people and whose time is over';

    public function handle(ForgetEndedLoans $forget): int
    {
        $now = CarbonImmutable::now();
        $forget($now);
        foreach (Terms::statements($now) as $table => [$statement, $values]) {
            $ended = DB::affectingStatement($statement, $values);
            $ended > 0 && $this->line("{$table}: {$ended}");
        }

        return self::SUCCESS;
    }
}
