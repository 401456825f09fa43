<?php

declare(strict_types=1);

return [
    'all' => 'All titles',
    'apps' => 'In a reading application',
    'apps_text' => 'An application that knows OPDS shows the catalogue, borrows and downloads. Add this address there, and sign in with card number and PIN.',
    'apps_desk' => 'A patron adds this address to an application that knows OPDS, and signs in with card number and PIN. There they search, borrow, place holds, renew, return, and download what licences allow. It stands in their Settings, too.',
    'apps_older' => 'Should an application not know OPDS 2, put a 1 in place of the 2.',
    'availability' => 'To be had',
    'being_made' => 'The file is being made. Ask for it again in a few seconds.',
    'borrow' => 'Borrow',
    'cancel' => 'Cancel the hold',
    'failed' => 'That did not go. Nothing was changed; try again in a while.',
    'found' => 'Found: :words',
    'hold' => 'Place a hold',
    'holds' => 'My holds',
    'in_browser' => 'Open in the browser',
    'loan_over' => 'This loan is over. Borrow the title again.',
    'loans' => 'My loans',
    'no_library' => 'There is no library by that name here. Look at its Settings for the address of its catalogue.',
    'no_numbers' => ':library lets nobody in by number and PIN, so loans are not to be had here. Everything can be looked at. Ask :contact.',
    'nothing_here' => 'There is nothing at this address. Begin at the front of the catalogue.',
    'other_way' => 'Sign in with card number and PIN (Basic), or with a token that was made for them (Bearer).',
    'renew' => 'Renew',
    'return' => 'Return',
    'rooms' => 'Rooms',
    'search' => 'Search the catalogue',
    'series' => 'Series',
    'sign_in' => 'Type the number and the PIN of your card at :library. Without a PIN, ask :contact.',
    'subjects' => 'Subjects',
    'token_over' => 'You were signed out. Sign in again with card number and PIN.',
];
