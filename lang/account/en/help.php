<?php

declare(strict_types=1);

return [
    'heading' => 'Help',
    'text' => 'A page for each thing. The ? key, or Help below, opens the one that fits beside what you are doing.',
    'find' => 'Find in help',
    'none' => 'No page of help has “:words”. Write to the library: people answer there.',
    'all' => 'All of help',
    'close' => 'Close',
    'more' => 'Help with this',
    'tour' => 'The tour',
    'tour_text' => 'Five things, then you know your way about.',
    'steps' => [
        ['Porch', 'This is yours: what you are reading, what is due, what is coming.'],
        ['Lamp', 'A lit lamp means ready now. A half-lit one means a wait, and says how long it is likely to be.'],
        ['Borrow', 'One touch, and you read, listen or watch here, on any device. Loans end by themselves; there are no fines.'],
        ['Hold', 'When all copies are out, place a hold. You are told when one is yours.'],
        ['Settings', 'Your cards, what you are told, and what is kept about you, which is little.'],
    ],
    'understood' => 'Understood',
    'desk' => 'How figures are reckoned',
];
