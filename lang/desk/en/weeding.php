<?php

declare(strict_types=1);

return [
    'heading' => 'Weeding',
    'text' => 'Titles that nobody has borrowed for long, those that cost most to keep first. Nothing is withdrawn by itself: on a title’s page its licences can be ended, and a licence with an end can be left to end.',
    'not_lent' => 'Not lent for',
    'show' => 'Show',
    'found' => '{1} :count title not lent for :months months|[0,*] :count titles not lent for :months months',
    'none' => 'Every title that was there so long has been lent.',
    'never' => 'never',
    'columns' => ['title' => 'Title', 'copies' => 'Copies', 'lent' => 'Lent ever', 'last' => 'Last lent', 'since' => 'Here since', 'ends' => 'Next end', 'paid' => 'Paid', 'yearly' => 'Costs a year'],
    'rests_text' => 'Counted last night, for the library’s own licences that live; what has been lent since is left out. A licence with an end costs its price, spread over the time it runs; one without an end costs nothing more.',
    'csv' => ['title_id' => 'Title number', 'title' => 'Title', 'people' => 'People', 'format' => 'Format', 'copies' => 'Copies', 'lent' => 'Lent ever', 'last' => 'Last lent', 'since' => 'Here since', 'ends' => 'Next end', 'paid' => 'Paid', 'yearly' => 'Costs a year'],
];
