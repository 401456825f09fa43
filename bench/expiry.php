<?php

declare(strict_types=1);

/*
 * 50,000 loans that fall due in one minute, a tenth of them waited for, ended by the scheduler's command while others
 * borrow.
 */

use Bench\LendingStage;
use Bench\Report;
use Illuminate\Contracts\Console\Kernel;

require __DIR__ . '/../vendor/autoload.php';
$app = require __DIR__ . '/../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

const RUNS = 5;
const CALM_SECONDS = 5;
const BORROWERS = 2;

$stage = new LendingStage((float) (getenv('FIGPORCH_BENCH_SCALE') ?: 1));
$stage->build();
Report::head(
    'Expiry',
    sprintf(
        '%s titles, %s cards, %s past loans. Medians of %d runs; %d processes borrow other titles without a pause, ' .
            '%d s before and then all the while.',
        number_format($stage->titles),
        number_format($stage->cards),
        number_format($stage->pastLoans),
        RUNS,
        BORROWERS,
        CALM_SECONDS,
    ),
);
$wrong = $overdue = $due = $awaited = 0;
$seconds = $before = $meanwhile = [];
for ($i = 0; $i < RUNS; $i++) {
    $stage->clear();
    [, $calm] = $stage->workers('borrow', 'spread', BORROWERS, CALM_SECONDS);
    $stage->clear();
    [$due, $awaited] = $stage->fallDue();
    [$seconds[], $during] = $stage->expireWhileOthersBorrow(BORROWERS);
    $before[] = Report::percentile($calm, 0.95);
    $meanwhile[] = Report::percentile($during, 0.95);
    $wrong += $stage->wrongCounts();
    $overdue += $stage->overdue();
}
$calm = Report::percentile($before, 0.5);
Report::table(
    [
        'loans due in one minute',
        'of them waited for',
        'ended, copies passed on, notices and mail queued in',
        'mark',
        'p95 of a borrow before',
        'and meanwhile',
        'mark',
    ],
    [
        [
            number_format($due),
            number_format($awaited),
            sprintf('%.1f s', Report::percentile($seconds, 0.5)),
            '60 s',
            sprintf('%.1f ms', $calm),
            sprintf('%.1f ms', Report::percentile($meanwhile, 0.5)),
            sprintf('%.1f ms', 2 * $calm),
        ],
    ],
);
echo "Counts that differ from a recount, after every run: {$wrong}. " .
    "Loans still open that were due: {$overdue}. Deadlocks: {$stage->deadlocks()}.\n";
