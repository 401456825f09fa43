<?php

declare(strict_types=1);

return [
    'licences_heading' => 'Licences and hold pressure',
    'shows' => ['waited_for' => 'Titles waited for', 'pressed' => 'Titles with :high holds per copy or more', 'no_copy' => 'Titles waited for with no copy left', 'ending' => 'Titles with a licence ending within :days days', 'few_loans' => 'Titles with :few loans left or fewer', 'all' => 'All titles'],
    'find' => 'Title, person or subject',
    'target' => 'Aim: a wait under',
    'target_days' => ':days days',
    'show' => 'Show',
    'wait_note' => '8 in 10 under',
    'extra_note' => 'for under :days days',
    'no_copies' => 'none left',
];
