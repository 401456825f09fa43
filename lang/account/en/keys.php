<?php

declare(strict_types=1);

return [
    'heading' => 'Keys',
    'close' => 'Close',
    'open' => 'Keys',
    'act' => 'Letters and signs act by themselves',
    'act_text' => 'In this browser. Turn it off if you speak to your computer, or press keys by accident; arrow keys, Enter and Escape go on working.',
    'where' => ['pages' => 'On every page', 'reader' => 'In the reader', 'player' => 'In the player'],
    'names' => ['Space' => 'Space', 'Home End' => 'Home End'],
    'pages' => [
        '/' => 'to the search',
        'h' => 'help that fits the page',
        '?' => 'this list',
        'g p' => 'to the Porch',
        'g c' => 'to the catalogue',
        'g l' => 'to loans',
        'g h' => 'to holds',
        'g r' => 'to rooms',
        'g b' => 'to baskets',
        'Esc' => 'closes what is open',
    ],
    'reader' => [
        '← →' => 'turn the page',
        'Space' => 'one page on, with Shift one back',
        'Home End' => 'to the beginning and the end',
        'c' => 'contents',
        'f' => 'find',
        'm' => 'marks',
        'a' => 'appearance',
        'r' => 'reads aloud',
        's' => 'selects a word; arrows another, with Shift more, Enter what can be done with it',
        't' => 'the text of fixed pages',
        '?' => 'this list',
        'Esc' => 'closes what is open, then the book',
    ],
    'player' => [
        'Space' => 'plays and pauses',
        '← →' => 'a little back and on',
        '↑ ↓' => 'faster and slower',
        '0–9' => 'to so many tenths of the whole',
        'm' => 'mutes and unmutes',
        'f' => 'a film on the full screen, and back',
        'c' => 'captions on and off',
        '?' => 'this list',
    ],
];
