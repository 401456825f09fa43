<?php

declare(strict_types=1);

/*
 * One process of the lending benchmark: borrows, or returns what is on loan, through the Actions until the time is over
 * or it is told to stop.
 *   php worker.php borrow|return hot|spread SECONDS WORKER WORKERS START-TIME TITLES CARDS
 * Prints JSON: how many, and the milliseconds of each.
 */

use App\Lending\Borrowing\BorrowTitle;
use App\Lending\Loans\ReturnLoan;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\DB;

require __DIR__ . '/../vendor/autoload.php';
$app = require __DIR__ . '/../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

[, $what, $where, $seconds, $worker, $workers, $start, $titles, $cards] = $argv;
mt_srand((int) $worker);
$borrow = app(BorrowTitle::class);
$return = app(ReturnLoan::class);
$each = intdiv((int) $cards, (int) $workers);
// Before the time begins: what a process of the web server has loaded and planned long since.
const WARM_UP = 10;
$loans =
    $what === 'return'
        ? DB::table('loans')
            ->whereNull('ended_at')
            ->where('title_id', '>', 10_000_000)
            ->whereRaw('id % ? = ?', [(int) $workers, (int) $worker])
            ->orderBy('id')
            ->pluck('id')
            ->all()
        : [];
$stop = false;
pcntl_async_signals(true);
pcntl_signal(SIGTERM, function () use (&$stop): void {
    $stop = true;
});
$do = function (int $n) use ($what, $where, $worker, $titles, $each, $loans, $borrow, $return): void {
    if ($what === 'return') {
        if (
            !$return(
                $loans[$n] ?? throw new RuntimeException('Nothing is left to return: make more for this run.'),
                new DateTimeImmutable(),
            )
        ) {
            throw new RuntimeException('Returned already.');
        }

        return;
    }
    $loan = $borrow(
        10_000_001 + (int) $worker * $each + ($n % $each),
        $where === 'hot' ? 10_000_001 : mt_rand(10_000_001, 10_000_000 + (int) $titles),
        null,
        new DateTimeImmutable(),
    );
    if (!is_int($loan)) {
        throw new RuntimeException('Not lent: ' . json_encode($loan));
    }
};
for ($n = 0; $n < WARM_UP; $n++) {
    $do($n);
}
usleep((int) max(0, ((float) $start - microtime(true)) * 1e6));

// All stop at the same time, whenever they began.
$times = [];
while (!$stop && microtime(true) < (float) $start + (float) $seconds) {
    $began = hrtime(true);
    $do($n++);
    $times[] = (hrtime(true) - $began) / 1e6;
}
echo json_encode(['count' => count($times), 'times' => $times]);
