<?php

declare(strict_types=1);

return [
    'heading' => 'Your file',
    'of' => ['epub' => 'EPUB', 'pdf' => 'PDF', 'package' => 'W3C package', 'files' => 'Files alone', 'pages' => 'Pages :from to :to as PDF'],
    'waiting' => '{0} It is being made.|{1} It is made after :count other file.|[2,*] It is made after :count other files.',
    'may_close' => 'You can go on reading or close this page: the file goes on being made, and this address leads to it.',
    'ready' => 'Your file is ready.',
    'save' => 'Save the file',
    'until' => 'It stays here for two hours, or until you return the loan.',
    'failed' => 'The file could not be made. Nothing was lost: try again, and if it fails again, tell the library.',
    'again' => 'Make it again',
    'too_many' => '{1} One of your files is still being made. Ask for the next when it is ready.|[2,*] :count of your files are still being made. Ask for the next when one of them is ready.',
    'to_loans' => 'To your loans',
];
