<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Actions\Account\ForgetEndedLoans;
use App\Actions\Lending\BringIssues;
use App\Actions\Lending\EndDueLoans;
use App\Actions\Lending\SettleHolds;
use App\Actions\Lending\TellOfDates;
use Illuminate\Console\Command;

/** Run every minute. What is due is read from the database, so minutes that were missed are made up for in order. */
final class LendingTick extends Command
{
    protected $signature = 'lending:tick';

    protected $description = 'End loans that are due, move holds that time moves, forget what is not to be kept';

    public function handle(EndDueLoans $endDueLoans, SettleHolds $settleHolds, TellOfDates $tellOfDates, BringIssues $bringIssues, ForgetEndedLoans $forget): int
    {
        $now = now()->toImmutable();
        $ended = $endDueLoans($now);
        $settleHolds($now);
        $tellOfDates($now);
        $bringIssues($now);
        $forget($now);
        $this->line("{$ended} loans ended.");

        return self::SUCCESS;
    }
}
