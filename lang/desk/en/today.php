<?php

declare(strict_types=1);

return [
    'nothing' => 'Nothing needs hands. What patrons wait for comes by itself.',
    'no_titles' => 'This library has no titles yet. They come from files, each with a licence, or without one until you add it.',
    'well' => 'The machine is well: mail, lending’s clockwork and the disk.',
    'machine' => 'Something is wrong with the machine',
    'ask' => 'Tell whoever runs it; there this says more:',
    'wrong' => [
        'disk' => 'Its disk is nearly full.',
        'database' => 'The database does not answer.',
        'scheduler' => 'The clockwork that ends loans and moves lines stands still.',
        'queue' => 'Mail and other work in the background is late.',
        'migrations' => 'The database is not as this version needs it.',
    ],
    'todo' => [
        'mail_unsure' => ['{1} mail of which nobody knows whether it went|[0,*] mails of which nobody knows whether they went', 'Notices in the application are there all the same.'],
        'failed_jobs' => ['{1} piece of background work that failed each time|[0,*] pieces of background work that failed each time', 'Whoever runs the machine sees them with queue:failed.'],
        'machine' => ['{1} thing wrong with the machine|[0,*] things wrong with the machine', 'See below.'],
        'no_copy' => ['{1} title waited for, with no copy left|[0,*] titles waited for, with no copy left', 'Get another copy, or tell those who wait.'],
        'pressed' => ['{1} title with a long line|[0,*] titles with a long line', 'See what more copies would do.'],
        'ending' => ['{1} title with a licence that ends soon|[0,*] titles with a licence that ends soon', 'Renew it, or let it end.'],
        'few_loans' => ['{1} title with few loans left|[0,*] titles with few loans left', 'Get more before they are used up.'],
        'funds' => ['{1} fund nearly spent, or beyond its budget|[0,*] funds nearly spent, or beyond their budget', 'See what is left, and what is on its way.'],
        'orders' => ['{1} licence to order|[0,*] licences to order', 'Send them to the supplier.'],
        'paid' => ['{1} budget that does not last the month, for pay per loan|[0,*] budgets that do not last the month', 'Raise it, or let these titles rest until next month.'],
        'requests' => ['{1} request by a patron|[0,*] requests by patrons', 'Get the title, or say why not.'],
        'letters' => ['{1} letter to answer|[0,*] letters to answer', 'Those who have waited longest come first.'],
        'held_back' => ['{1} reading of the supplier’s catalogue held back|[0,*] readings of the supplier’s catalogue held back', 'It lacks more than a third. Look, and take it or leave it.'],
        'files_refused' => ['{1} file that was not taken in|[0,*] files that were not taken in', 'See why, and put it away.'],
        'links_dead' => ['{1} website that is not there any more|[0,*] websites that are not there any more', 'Give the new address, or take it away.'],
        'records_waiting' => ['{1} file of records not taken in yet|[0,*] files of records not taken in yet', 'Take it in, or discard it.'],
        'cards_waiting' => ['{1} file of patrons not taken in yet|[0,*] files of patrons not taken in yet', 'Take it in, or leave it.'],
        'pins_waiting' => ['{1} file of patrons whose PINs have not been fetched|[0,*] files of patrons whose PINs have not been fetched', 'They are kept for 7 days.'],
        'cards_ending' => ['{1} card ends within 30 days|[0,*] cards end within 30 days', 'Renew those who stay.'],
        'invitations' => ['{1} invitation that nobody took up|[0,*] invitations that nobody took up', 'Send it again, or withdraw it.'],
    ],
];
