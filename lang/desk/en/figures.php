<?php

declare(strict_types=1);

return [
    'heading' => 'The year in figures',
    'text' => 'The library’s year beside the year before. Figures behind which fewer than five people could be are not shown (·).',
    'year' => 'Year',
    'counted' => 'Added up :at; again after an hour.',
    'none' => 'Nothing in this year yet.',
    'bar' => 'As a bar',
    'ahead' => ['0-3' => 'up to 3 ahead (:cases)', '4-10' => '4 to 10 ahead (:cases)', '11-40' => '11 to 40 ahead (:cases)', '41' => 'more than 40 ahead (:cases)'],
    'of' => [
        'loans' => ['Loans', 'Month', 'Loans begun by this library’s patrons, whoever’s copies they had. Renewing is no new loan.'],
        'people' => ['People who borrowed', 'Month', 'Cards with at least one loan begun in the month. Who it was is not kept with what it was.'],
        'formats' => ['By format', 'Format', 'Loans begun, by the format of the title.'],
        'groups' => ['By group', 'Group', 'Loans begun, by the patron’s group at that time. A group is left out where never five of it borrowed in one month; loans from before this was counted have no group.'],
        'subjects' => ['By subject', 'Subject', 'Loans begun; a title with several subjects counts for each. The fifteen most borrowed.'],
        'titles' => ['Borrowed most', 'Title', 'Loans begun of each title, the fifteen most borrowed.'],
        'waits' => ['How long people waited', 'Format', 'Days from placing a hold to its copy being ready: the middle, of holds whose copy came in the year. With fewer than five none is shown.'],
        'promises' => ['How often the dates held', 'Line', 'Of likely ranges that were shown when a hold was placed, and whose copy has come: how many of a hundred held it. 80 is meant; each night ranges of each length of line are moved by what the last 300 lacked.'],
        'turnaways' => ['Turned away', 'Why', 'Times that somebody tried to borrow and could not.'],
        'requests' => ['Asked for, and not here', 'Month', 'Requests for titles that the library has no licence of.'],
        'cost' => ['What a loan cost', 'Format', 'Prices of licences that began in the year, and loans paid one by one, for each loan of their format. A licence that runs longer counts in the year in which it began.'],
        'hours' => ['By weekday and hour', 'Weekday', 'Loans begun, by the library’s clock. Fewer than five are not shown.'],
    ],
];
