<?php

declare(strict_types=1);

return [
    'keep_longer' => 'Keep it longer',
    'can_be_longer' => 'Nobody waits: you can keep it until :date.',
    'kept_longer' => '“:name” is yours until :date, as the same loan.',
    'others_wait' => 'Others wait, so it ends then. You can place a hold meanwhile.',
    'others_wait_range' => 'Others wait, so it ends then. With a hold you would have it again, 8 in 10: :range.',
    'others_wait_held' => 'Others wait, so it ends then. You are in line to have it again.',
    'read' => 'Read',
    'listen' => 'Listen',
    'watch' => 'Watch',
    'due' => 'Due :date',
    'returned' => '“:name” is returned.',
    'returned_before' => '“:name” was returned already.',
    'return_undone' => 'It is on loan to you again, as before.',
    'return_not_undone' => 'The copy has gone to someone else, so the return cannot be undone.',
    'no_loans' => 'Nothing is on loan to you just now.',
    'page_reached' => 'Page :page of :pages',
    'time_reached' => ':time of :total',
    'not_begun' => 'Not begun yet',
    'renewed' => 'Renewed. “:name” is now due :date.',
    'renew_from' => 'Can be renewed from :date',
    'download' => 'Download:',
    'downloads' => ['epub' => 'EPUB', 'pdf' => 'PDF', 'package' => 'W3C package', 'files' => 'files alone', 'protected.epub' => 'protected EPUB', 'protected.lcpdf' => 'protected PDF', 'protected.lcpa' => 'protected audiobook', 'lcpl' => 'licence alone'],
];
