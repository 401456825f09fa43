<?php

declare(strict_types=1);

/*
 * One process of the lending benchmark: for some seconds, borrow and return through the Actions, or run the floor.
 *   php worker.php pair|floor hot|spread SECONDS SEED START-TIME
 * Prints JSON: how many, and the milliseconds of each borrow.
 */

use App\Actions\Lending\BorrowTitle;
use App\Actions\Lending\EndLoan;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\DB;

require __DIR__.'/../vendor/autoload.php';
$app = require __DIR__.'/../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

[, $what, $where, $seconds, $seed, $start] = $argv;
mt_srand((int) $seed);
$borrow = app(BorrowTitle::class);
$end = app(EndLoan::class);
$titles = DB::table('bench_titles')->orderBy('id')->pluck('id')->all();
$cards = DB::table('bench_cards')->where('worker', (int) $seed)->pluck('id')->all();
DB::select('select 1');
usleep((int) max(0, ((float) $start - microtime(true)) * 1e6));

$until = microtime(true) + (float) $seconds;
$count = 0;
$times = [];
while (microtime(true) < $until) {
    $title = $where === 'hot' ? $titles[0] : $titles[mt_rand(0, count($titles) - 1)];
    $began = hrtime(true);
    if ($what === 'floor') {
        // One statement that updates one row and inserts one, at the same rows.
        DB::statement('with u as (update bench_floor set n = n + 1 where id = ? returning id) insert into bench_floor_rows (floor_id, at) select id, now() from u', [$title]);
    } else {
        $loan = $borrow($cards[mt_rand(0, count($cards) - 1)], $title, null, new DateTimeImmutable);
        $times[] = (hrtime(true) - $began) / 1e6;
        if (! is_int($loan)) {
            throw new RuntimeException('not lent: '.json_encode($loan));
        }
        $end($loan, 'returned', new DateTimeImmutable);
    }
    $count++;
}
echo json_encode(['count' => $count, 'times' => $times]);
