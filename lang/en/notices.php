<?php

declare(strict_types=1);

return [
    'hold_ready' => ['subject' => '“:name” is ready for you', 'body' => 'The copy of “:name” that you were waiting for is kept for you until :kept_until. Borrow it from your Porch before then; after that it goes to the next in line.'],
    'hold_missed' => ['subject' => '“:name” has gone to the next in line', 'body' => 'The copy of “:name” that was kept for you was not borrowed in time. Your hold is paused for 7 days and then takes its turn again. If it is missed once more it lapses.'],
    'hold_lapsed' => ['subject' => 'Your hold on “:name” has lapsed', 'body' => 'A copy of “:name” was kept for you twice and not borrowed. The hold is closed. You can place a new one at any time.'],
    'loan_ended' => ['subject' => 'Your loan of “:name” has ended', 'body' => 'The loan of “:name” reached its due time and was returned for you. If you had not finished, you can borrow it or place a hold again.'],
];
