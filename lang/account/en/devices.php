<?php

declare(strict_types=1);

return [
    'app' => 'A reading application',
    'heading' => 'Where I am signed in',
    'text' => 'Each browser and each reading application in which you signed in with one of your cards. End what you do not know, then change your PIN.',
    'unknown' => 'A browser that does not say which it is',
    'this_one' => 'This one',
    'used' => 'last used :date',
    'stays' => 'stays signed in',
    'end' => 'End',
    'end_others' => 'End all others',
    'ended' => 'It is signed out. What it kept off line goes when it is next on line.',
    'others_ended' => '{0} You were signed in nowhere else.|{1} :count other is signed out.|[2,*] :count others are signed out.',
    'is_this' => 'That is where you are now. To leave here, sign out.',
    'leaving' => 'You will be signed out in :seconds seconds, because nothing was done for a while.',
    'stay' => 'I am still here',
];
