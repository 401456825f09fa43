<?php

declare(strict_types=1);

/*
 * One of several processes that borrow, return, place, cancel and end what is due at the same few titles and cards at
 * once.
 *   php storm.php SEED OPERATIONS "CARD,CARD" "TITLE,TITLE"
 * Prints what it did; anything but a decision is an error.
 */

use App\Lending\Borrowing\BorrowTitle;
use App\Lending\Expiry\EndDueLoans;
use App\Lending\Holds\CloseHold;
use App\Lending\Holds\PlaceHold;
use App\Lending\Loans\ReturnLoan;
use FigPorch\Core\Lending\HoldState;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\DB;

require __DIR__ . '/../../../vendor/autoload.php';
$app = require __DIR__ . '/../../../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

[, $seed, $operations, $cards, $titles] = $argv;
mt_srand((int) $seed);
$cards = explode(',', $cards);
$titles = explode(',', $titles);
$done = ['borrowed' => 0, 'returned' => 0, 'held' => 0, 'cancelled' => 0, 'ended' => 0, 'refused' => 0];
// As the scheduler does, with all that is due by then, whoever else is at it.
$fallDue = function (int $loan): int {
    DB::update(
        "update loans set started_at = now() - interval '14 days', due_at = now() - interval '2 seconds'
            where id = ? and ended_at is null",
        [$loan],
    );

    return app(EndDueLoans::class)(new DateTimeImmutable());
};

for ($i = 0; $i < (int) $operations; $i++) {
    $card = (int) $cards[mt_rand(0, count($cards) - 1)];
    $title = (int) $titles[mt_rand(0, count($titles) - 1)];
    $now = new DateTimeImmutable();
    $open = DB::table('loans')
        ->where(['card_id' => $card, 'title_id' => $title])
        ->whereNull('ended_at')
        ->value('id');
    $hold = DB::table('holds')
        ->where(['card_id' => $card, 'title_id' => $title])
        ->whereNull('closed_at')
        ->value('id');
    $result = match (mt_rand(0, 11)) {
        0, 1, 2, 3 => is_int(app(BorrowTitle::class)($card, $title, null, $now)) ? 'borrowed' : 'refused',
        4, 5, 6 => $open !== null && app(ReturnLoan::class)($open, $now) ? 'returned' : 'refused',
        7, 8 => is_int(app(PlaceHold::class)($card, $title, $now)) ? 'held' : 'refused',
        9, 10 => $open !== null && $fallDue($open) > 0 ? 'ended' : 'refused',
        default => $hold !== null && app(CloseHold::class)($hold, HoldState::Cancelled, $now)
            ? 'cancelled'
            : 'refused',
    };
    $done[$result]++;
}
echo json_encode($done);
