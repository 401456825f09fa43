<?php

declare(strict_types=1);

return [
    'hold_ready' => ['subject' => '“:name” is ready for you', 'body' => 'The copy of “:name” that you were waiting for is kept for you until :kept_until. Borrow it from your Porch before then; after that it goes to the next in line.'],
    'hold_borrowed' => ['subject' => '“:name” is on loan to you', 'body' => 'A copy of “:name” came free and was borrowed for you, as you asked when you placed the hold. It is due :due. Return it early if now is not the time.'],
    'hold_lapsing' => ['subject' => '“:name” is kept for you for one more day', 'body' => 'The copy of “:name” goes to the next in line :kept_until. Borrow it before then, or say “not now” under Holds to keep your place.'],
    'hold_set_back' => ['subject' => '“:name” is no longer ready', 'body' => 'The library’s licence for the copy of “:name” that was kept for you ended or was changed. You keep your place in line.'],
    'loan_due_soon' => ['subject' => '“:name” is due in 3 days', 'body' => 'Your loan of “:name” ends :due. From now on it can be renewed, if nobody waits for it.'],
    'loan_due_tomorrow' => ['subject' => '“:name” is due tomorrow', 'body' => 'Your loan of “:name” ends :due and is then returned for you. There are no fines.'],
    'licence_ending' => ['subject' => 'The licence of “:name” ends soon', 'body' => 'The library’s last licence for “:name”, for which you hold a place in line, ends :ends. Your turn may not come before then. Your hold stays open in case the library buys another.'],
    'licence_gone' => ['subject' => '“:name” cannot be lent any more', 'body' => 'The library’s last licence for “:name” has ended before your turn came. Your hold stays open in case the library buys another; you can cancel it under Holds.'],
    'hold_missed' => ['subject' => '“:name” has gone to the next in line', 'body' => 'The copy of “:name” that was kept for you was not borrowed in time. Your hold is paused for 7 days and then takes its turn again. If it is missed once more it lapses.'],
    'hold_lapsed' => ['subject' => 'Your hold on “:name” has lapsed', 'body' => 'A copy of “:name” was kept for you twice and not borrowed. The hold is closed. You can place a new one at any time.'],
    'loan_ended' => ['subject' => 'Your loan of “:name” has ended', 'body' => 'The loan of “:name” reached its due time and was returned for you. If you had not finished, you can borrow it or place a hold again.'],
    'request_answered' => [
        'here_subject' => '“:name” has come', 'here_body' => ':library now has “:name”, for which you asked. Borrow it, or place a hold if others were quicker.',
        'here_in_line_subject' => '“:name” has come, and you are in line', 'here_in_line_body' => ':library now has “:name”, for which you asked. You are in line for it, in the order in which people asked, and are told when a copy is yours.',
        'coming_subject' => '“:name” is coming', 'coming_body' => ':library has got “:name”, for which you asked. It can be borrowed from :begins on.',
        'coming_in_line_subject' => '“:name” is coming, and you are in line', 'coming_in_line_body' => ':library has got “:name”, for which you asked. It can be borrowed from :begins on; you are in line for it, in the order in which people asked, and are told when a copy is yours.',
        'declined_subject' => '“:name” will not be got for now', 'declined_body' => ':library has decided about “:name”, for which you asked. :answer',
    ],
    'issue_here' => [
        'told_subject' => '“:name”: :issue has come', 'told_body' => ':library now has :issue of “:name”, which you follow.',
        'borrowed_subject' => '“:name”: :issue is on loan to you', 'borrowed_body' => ':issue of “:name” has come to :library and was borrowed for you, as you chose when you followed it. It is due :due.',
        'not_borrowed_subject' => '“:name”: :issue has come', 'not_borrowed_body' => ':library now has :issue of “:name”. It could not be borrowed for you at this moment; its page says why, and what can be done.',
    ],
    'search_found' => ['subject' => '{1} Something new for “:name”|[2,*] :count new titles for “:name”', 'body' => '{1} :library now has “:first”, which fits your saved search “:name”.|[2,*] :library now has :count titles more that fit your saved search “:name”, “:first” among them.'],
    'forgotten' => ['subject' => 'A loan or hold that is over', 'body' => 'It has been forgotten, since you keep no history: which title it was is no longer known here.'],
    'library_message' => ['subject' => ':name', 'body' => ":text\n\n:library"],
    'letter_answered' => ['subject' => ':library has answered you', 'body' => ":text\n\nThe whole letter, and room for an answer, is here."],
    'pin_changed' => ['subject' => 'Your PIN was changed', 'body' => 'The PIN of the card that ends in :ending was changed just now. If that was not you, ask your library for a new one at once.'],
    'wrong_pins' => ['subject' => 'Wrong PINs for your card', 'body' => 'Somebody has tried :tries wrong PINs for the card that ends in :ending within a quarter of an hour. Nobody got in, and you can sign in as before. If it was not you, ask your library for another PIN.'],
];
