<?php

declare(strict_types=1);

return [
    'heading' => 'Household',
    'text' => 'Cards of children that you look after: what is on loan and until when, and what they wait for. What they have given back you do not see, nor how far they have read.',
    'none' => 'You look after no card yet.',
    'add' => 'Look after a child’s card',
    'add_text' => 'With the number and PIN of the child’s card. The child sees in Settings that you do, and both of you can end it.',
    'ask_library' => 'Without the PIN, the library can confirm it: at its counter, with both cards, or by letter.',
    'added' => 'You look after the card of :name.',
    'refused' => [
        'own' => 'That is a card of your own.',
        'young' => 'Only grown-ups look after cards, and none of yours is a grown-up’s.',
        'grown_up' => 'That is a grown-up’s card. Cards of children alone can be looked after.',
        'many' => 'You look after twelve cards, as many as one can. End one first.',
    ],
    'end' => 'No longer look after it',
    'ended' => 'That is ended.',
    'due' => 'due :date',
    'nothing' => 'Nothing is on loan, and nothing is waited for.',
    'waits' => 'waits in line',
    'ready' => 'ready, kept until :date',
    'for_child' => 'Place hold for :child',
    'held' => ':child is in line for “:name”.',
    'looked_after' => ':name looks after this card: sees what is on loan and until when, and places holds.',
];
