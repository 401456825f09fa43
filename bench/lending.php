<?php

declare(strict_types=1);

/*
 * Lending at scale: the conditional write alone, borrowing, and returning with promotion, each as a fraction of a floor
 * measured by turns with it (pgbench: one statement that updates one row and inserts one). FIGPORCH_BENCH_SCALE=0.01
 * makes everything a hundredth, to try the benchmark itself.
 */

use Bench\LendingStage;
use Bench\Report;
use Illuminate\Contracts\Console\Kernel;

require __DIR__ . '/../vendor/autoload.php';
$app = require __DIR__ . '/../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

const RUNS = 5;
const SECONDS = 3;

$stage = new LendingStage((float) (getenv('FIGPORCH_BENCH_SCALE') ?: 1));
$loading = microtime(true);
$stage->build();
Report::head(
    'Lending',
    sprintf(
        '%s titles, %s cards, %s past loans, made in %d s; synchronous_commit %s. Spread: %s titles. Medians of ' .
            '%d runs of %d s after one to warm up, floor and measurement by turns; each run begins with no bench ' .
            'loan open; each process does ten before its time begins.',
        number_format($stage->titles),
        number_format($stage->cards),
        number_format($stage->pastLoans),
        microtime(true) - $loading,
        $stage->synchronousCommit(),
        number_format($stage->spread),
        RUNS,
        SECONDS,
    ),
);
$wrong = 0;

/**
 * @param  callable(): array{float, list<float>}  $measure  gives a rate and milliseconds of each
 * @return array{float, float, float|null} floor, rate, p95
 */
$compare = function (callable $floor, callable $measure) use ($stage, &$wrong): array {
    $floors = $rates = $p95 = [];
    for ($i = 0; $i <= RUNS; $i++) {
        $f = $floor();
        $stage->clear();
        [$rate, $times] = $measure();
        $wrong += $stage->wrongCounts();
        if ($i > 0) {
            $floors[] = $f;
            $rates[] = $rate;
            $p95[] = $times === [] ? 0.0 : Report::percentile($times, 0.95);
        }
    }

    return [Report::percentile($floors, 0.5), Report::percentile($rates, 0.5), Report::percentile($p95, 0.5)];
};

$rows = [];
foreach (['spread' => [8 => 0.5, 32 => 0.5], 'hot' => [8 => 0.75, 32 => 0.6]] as $where => $marks) {
    foreach ($marks as $clients => $mark) {
        [$f, $rate] = $compare(
            fn() => $stage->pgbench('floor', $where, $clients, SECONDS),
            fn() => [$stage->pgbench('write', $where, $clients, SECONDS), []],
        );
        $rows[] = [
            'the conditional write alone',
            $where,
            (string) $clients,
            number_format($f),
            number_format($rate),
            sprintf('%.2f', $rate / $f),
            sprintf('%.2f', $mark),
            '',
        ];
    }
}
foreach (
    ['spread' => [1 => null, 8 => 0.2, 32 => 0.2], 'hot' => [1 => null, 8 => 0.4, 32 => 0.35]]
    as $where => $marks
) {
    foreach ($marks as $clients => $mark) {
        [$f, $rate, $p95] = $compare(
            fn() => $stage->pgbench('floor', $where, $clients, SECONDS),
            fn() => $stage->workers('borrow', $where, $clients, SECONDS),
        );
        $rows[] = [
            'borrow',
            $where,
            (string) $clients,
            number_format($f),
            number_format($rate),
            sprintf('%.2f', $rate / $f),
            $mark === null ? '' : sprintf('%.2f', $mark),
            sprintf('%.1f ms', $p95),
        ];
    }
}
[$f, $rate, $p95] = $compare(fn() => $stage->pgbench('floor', 'spread', 8, SECONDS), function () use ($stage): array {
    $stage->lendWithLines();

    return $stage->workers('return', 'spread', 8, SECONDS);
});
$rows[] = [
    'return, promote, tell',
    'spread',
    '8',
    number_format($f),
    number_format($rate),
    sprintf('%.2f', $rate / $f),
    '0.15',
    sprintf('%.1f ms', $p95),
];
Report::table(['what', 'titles', 'connections', 'floor /s', '/s', 'ratio', 'mark', 'p95 of one'], $rows);

echo "Counts that differ from a recount, after every run: {$wrong}. Deadlocks: {$stage->deadlocks()}.\n";
