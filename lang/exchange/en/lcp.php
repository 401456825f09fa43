<?php

declare(strict_types=1);

return [
    'heading' => 'Protected files',
    'text' => 'Some titles can be taken into a reading application as protected files. They open there with your passphrase, and end with the loan.',
    'is' => 'Your passphrase was set on :date. Its hint: “:hint”',
    'passphrase' => 'Passphrase',
    'passphrase_hint' => 'Eight characters or more: three or four words that do not belong together are best. Not your PIN. We keep only what is made of it, so nobody can tell it to you again.',
    'hint' => 'Hint',
    'hint_hint' => 'The application shows it where it asks for the passphrase. Whoever has the file can read it.',
    'set' => 'Set the passphrase',
    'change' => 'Set another',
    'change_text' => 'Files of loans that you have had so far go on opening with the passphrase they were made with.',
    'kept' => 'Your passphrase is set. Protected files that you download from now on open with it.',
    'changed' => 'Your passphrase is another now. Files of loans that you have had so far open with the one before.',
    'set_first' => 'Set a passphrase first: the file opens with it.',
    'needs' => [
        'passphrase' => 'A passphrase has 8 to 100 characters, and no space before or after it.',
        'hint' => 'Say a hint of up to 200 characters.',
        'told' => 'The hint tells the passphrase itself. Choose words that only you understand.',
    ],
    'apps_set_first' => 'This title comes as a protected file. Set a passphrase first: in a browser, under Settings at :address.',
    'loan_hint' => 'Opens in a reading application with your passphrase (“:hint”), and ends with the loan.',
    'loan_text' => 'Opens in a reading application with your passphrase, and ends with the loan.',
    'loan_devices' => '{1} Opened on :count device.|[2,*] Opened on :count devices.',
    'open_text' => 'Nothing ends these files but your promise to delete them with the loan.',
    'status' => [
        'ready' => 'On loan until :date.',
        'active' => 'On loan until :date.',
        'returned' => 'Given back on :date. Borrow the title again to go on.',
        'cancelled' => 'Given back on :date. Borrow the title again to open it.',
        'expired' => 'The loan ended on :date. Borrow the title again to go on.',
    ],
    'no_device' => 'Say by what the device is known (id) and what it is called (name), in at most 255 characters each.',
    'over' => 'The loan is over. Borrow the title again at your library.',
    'devices_enough' => 'The file was opened on :most devices already. Read on one of those, or in the browser.',
    'renew_date' => 'The loan cannot be renewed until that day. Ask without a day for as long as your library renews.',
];
