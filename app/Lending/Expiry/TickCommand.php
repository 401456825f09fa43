<?php

declare(strict_types=1);

namespace App\Lending\Expiry;

use App\Account\Privacy\ForgetEndedLoans;
use App\Lending\Follows\DeliverNewIssues;
use App\Shared\OneAtATime;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use Illuminate\Console\Command;

/**
 * Run every minute. What is due is read from the database, so minutes that were missed are made up for in order; a
 * minute that comes while the one before it is still at work leaves all to that.
 */
final class TickCommand extends Command
{
    protected $signature = 'lending:tick';

    protected $description = 'End loans that are due, move holds that time moves, forget what is not to be kept';

    public function handle(
        EndDueLoans $endDueLoans,
        SettleHolds $settleHolds,
        SendDueNotices $sendDueNotices,
        DeliverNewIssues $deliverNewIssues,
        ForgetEndedLoans $forget,
    ): int {
        $done = OneAtATime::run(
            self::class,
            fn() => $this->tick(
                now: CarbonImmutable::now(),
                endDueLoans: $endDueLoans,
                settleHolds: $settleHolds,
                sendDueNotices: $sendDueNotices,
                deliverNewIssues: $deliverNewIssues,
                forget: $forget,
            ),
        );
        if (!$done) {
            $this->info('Another lending:tick is at work at this moment.');
        }

        return self::SUCCESS;
    }

    private function tick(
        DateTimeImmutable $now,
        EndDueLoans $endDueLoans,
        SettleHolds $settleHolds,
        SendDueNotices $sendDueNotices,
        DeliverNewIssues $deliverNewIssues,
        ForgetEndedLoans $forget,
    ): void {
        $ended = $endDueLoans($now);
        $settleHolds($now);
        $sendDueNotices($now);
        $deliverNewIssues($now);
        $forget($now);
        $this->line("{$ended} loans ended.");
    }
}
