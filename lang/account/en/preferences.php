<?php

declare(strict_types=1);

return [
    'your_cards' => '{1}Your library card|[2,*]Your library cards',
    'show_card' => 'Show my card',
    'calendar' => 'Due dates in your calendar',
    'calendar_text' => 'An address that calendar applications can follow. Whoever knows it can see what you have on loan; a new address ends the old one.',
    'notices_text' => 'What happened stays true whether or not you are told.',
    'tell_me' => 'Tell me when',
    'keep_notices' => 'Save notices',
    'notice_kinds' => [
        'hold_ready' => 'a hold is ready',
        'hold_borrowed' => 'a hold was borrowed for me',
        'hold_lapsing' => 'a ready copy is kept for one more day',
        'hold_missed' => 'a ready copy went to the next in line',
        'hold_lapsed' => 'a hold lapsed',
        'hold_set_back' => 'a ready copy was withdrawn',
        'loan_due_soon' => 'a loan is due in 3 days',
        'loan_due_tomorrow' => 'a loan is due tomorrow',
        'loan_ended' => 'a loan has ended',
        'licence_ending' => 'the licence of a title I hold ends soon',
        'licence_gone' => 'a title I hold cannot be lent any more',
        'library_message' => 'the library has an important message',
        'letter_answered' => 'a letter of mine is answered',
        'pin_changed' => 'my PIN was changed',
        'wrong_pins' => 'somebody tries wrong PINs for my card',
        'request_answered' => 'a request of mine is answered',
        'search_found' => 'something new fits a saved search',
        'issue_here' => 'a magazine I follow has a new issue',
    ],
];
