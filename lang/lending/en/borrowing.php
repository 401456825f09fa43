<?php

declare(strict_types=1);

return [
    'place_hold' => 'Place hold',
    'keep_for' => 'Keep for',
    'due_back' => 'until :date',
    'leaves' => 'This makes :after of :limit loans.',
    'above_card' => 'For older readers than this card',
    'borrowed' => '“:name” is on loan to you.',
    'already_on_loan' => 'You have this on loan already.',
    'on_loan_until' => 'On loan to you until :date',
    'ready_until' => 'Ready for you, kept until :date',
    'no_card_here' => 'You have no card at :library. Look at your own library above beside the search, or ask :contact for a card.',
    'at_once' => 'Borrow it for me at once',
    'at_once_text' => 'when a copy comes, if I am under my limit',
    'which_card' => 'Card',
    'at_limit' => 'You have :limit on loan, as many as your card allows',
    'return_one' => 'Return one to borrow',
    'short_look' => '{1}For an hour|[2,*]For :count hours',
    'limit_heading' => 'You are at your limit',
    'limit_go_on' => 'Return it and borrow this',
    'asked_for' => 'Asked for',
];
