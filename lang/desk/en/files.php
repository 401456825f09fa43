<?php

declare(strict_types=1);

return [
    'title' => 'Titles from files',
    'text' => 'EPUB and PDF files, and W3C packages of audiobooks, music and video. Each becomes a title with its record, its cover and an excerpt; a newer file of the same edition takes the place of the older, and who has it on loan reads on.',
    'send' => 'Send files',
    'choose' => 'Files',
    'choose_hint' => 'Several at once if you like. A connection that breaks off is waited for.',
    'licence' => 'Licence for each',
    'licence_hint' => 'Nothing can be borrowed without one. For other models add it at the title.',
    'kinds' => ['none' => 'None yet', 'one_copy_one_user' => 'One copy / one user', 'simultaneous' => 'Simultaneous, without an end'],
    'price' => 'Price of each',
    'needs_price' => 'Say what each cost, for example 24.50; a gift costs 0.',
    'audience' => 'For whom, where a file does not say',
    'any_audience' => 'As its own record says',
    'waits' => 'The connection is gone; it goes on by itself.',
    'sent' => 'It is here.',
    'failed' => 'It was not taken. Load the page again and send it once more.',
    'needs_script' => 'Sending files needs JavaScript. Whoever runs the machine can take them in with catalogue:import.',
    'wrong_size' => 'A file has a name, something in it, and at most :most GB.',
    'no_room' => 'The disk of this machine is nearly full. Ask whoever runs it for room, then send the file again.',
    'nothing_sent' => 'No file has come. Choose one or more, and send them.',
    'being_taken_in' => '{1} The file is being taken in. You may close this page.|[2,*] The :count files are being taken in. You may close this page.',
    'at_work' => '{1} One file is still being taken in.|[2,*] :count files are still being taken in.',
    'nothing_yet' => 'No file has been sent yet.',
    'file' => 'File',
    'outcome' => 'What became of it',
    'when' => 'Sent',
    'states' => ['waiting' => 'waits', 'at_work' => 'is being taken in', 'taken_in' => 'Taken in', 'known' => 'Known already', 'refused' => 'Refused'],
    'put_away' => 'Put away',
    'no_licence' => 'Without a licence: add one, and it can be borrowed.',
];
