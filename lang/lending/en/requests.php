<?php

declare(strict_types=1);

return [
    'ask_heading' => 'Ask :library to get it',
    'ask_text' => 'The library does not have this title. Its staff see how many ask for it and decide. Your name is not shown to them.',
    'ask_notice' => 'Tell me when it is decided',
    'ask_hold' => 'Put me in line when it comes',
    'ask_hold_text' => 'Those who asked first are first in line.',
    'asked' => ':library is asked to get “:name”.',
    'ask_words_text' => 'For a title that neither :library nor anybody whose catalogue is looked through here has. Its staff read what you write, and decide. Your name is not shown to them.',
    'ask_words_title' => 'Title',
    'ask_words_people' => 'By whom, as far as you know',
    'ask_words_any' => 'Any format',
    'ask_words_isbn' => 'ISBN or other standard number',
    'ask_words_known' => 'Is it one of these?',
    'ask_words_none' => 'None of them: ask for it',
    'needs_card' => 'To ask :library for something, a card of that library is needed.',
    'requests_text' => 'What you have asked your libraries to get, and what they said.',
    'no_requests' => 'You have not asked for anything. Look beyond your libraries for titles that they do not have, and ask for what you would like to read.',
    'look_beyond' => 'Look beyond',
    'request_states' => ['open' => 'Asked for', 'here' => 'It is here', 'declined' => 'Not for now'],
    'change_wishes' => 'Change',
    'withdraw' => 'Withdraw',
    'request_withdrawn' => 'You no longer ask for “:name”.',
    'see_it' => 'See it',
];
