<?php

declare(strict_types=1);

return [
    'hold_placed' => 'You are in line for “:name”. We tell you here and by mail when it is ready.',
    'hold_cancelled' => 'The hold on “:name” is cancelled.',
    'in_line' => ':place in line',
    'no_date' => 'It cannot be dated: no copy will be left when your turn comes unless the library buys more.',
    'on_order' => 'on order: it is kept for you in turn when its file comes',
    'paused_until' => 'Paused until :date. It keeps its place in line.',
    'no_holds' => 'You are not waiting for anything.',
    'no_holds_text' => 'When all copies of a title are out, place a hold: you are told when one is yours.',
    'pause' => 'Pause',
    'pause_until' => 'Pause until',
    'resume' => 'Resume',
    'hold_paused' => 'Paused until :date. “:name” keeps its place in line.',
    'hold_resumed' => '“:name” takes its turn again.',
    'hold_not_paused' => '“:name” cannot be put off again: copies were kept for it long enough. Borrow it, or cancel the hold.',
    'bad_date' => 'Choose a date between tomorrow and a year from now.',
    'at_once_on' => 'Will be borrowed for you when a copy comes',
    'paused_all' => 'Paused. Every hold keeps its place in line.',
    'dates_held' => 'The likely dates held :held of the last 100 times at :library. 80 is what they are meant to.',
];
