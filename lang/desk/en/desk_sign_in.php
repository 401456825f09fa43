<?php

declare(strict_types=1);

return [
    'sign_in' => 'Sign in at the Desk',
    'sign_in_text' => 'For those who work at a library. Patrons sign in with their card.',
    'patron_sign_in' => 'Sign in with a library card',
    'no_match' => 'Mail address and password do not match. Try again, or ask whoever looks after the system at your library for a new password.',
    'demo_staff' => 'In the demo these work here',
];
