<?php

declare(strict_types=1);

return [
    // The share of a publication that anyone may read without borrowing it.
    'excerpt_share' => 0.1,
    'page_size' => 24,
    // Wrong tries to sign in, in any hour: with one card or staff name from wherever, and from one address with any.
    // Half of them are free; after those there is one in so many minutes.
    'sign_in_tries' => ['card' => 10, 'address' => 100],
    // After so many wrong PINs for a card in a day its owner is told.
    'wrong_pins_told' => 10,
    // Processes that answer at once; bin/start sizes them from the machine.
    'workers' => (int) env('WEB_WORKERS', 6),
    // What taking in one file may need.
    'import' => ['seconds' => 900, 'memory' => '1G'],
    // What one person may do in a minute.
    'a_minute' => [
        'exports' => 20,
        'holds' => 60,
        'marks' => 600,
        'speech' => 120,
        'letters' => 3,
        'reports' => 60,
        'sendings' => 10,
        'shelves' => 60,
    ],
    // How files reach the browser: "accel" hands them to nginx, "php" sends them itself (tests, development).
    'file_delivery' => env('FILE_DELIVERY', 'php'),
    // The OPDS 2.0 catalogue of a supplier, whose titles can be found beyond the libraries' own and asked for; none
    // without an address.
    'supplier' => env('SUPPLIER_URL'),
    // Where the stand-in for browsers' push services listens; endpoints that begin so may be written to.
    'push_stand_in' => env('PUSH_STAND_IN'),
    // What addresses of the stand-in for a folder elsewhere begin with; they may be written to.
    'folder_stand_in' => env('FOLDER_STAND_IN'),
    // Dictionaries by language, as Debian's dict packages install them.
    'dictionaries' => ['en' => '/usr/share/dictd/wn', 'es' => '/usr/share/dictd/freedict-spa-eng'],
    // Host names by which this installation is asked for, with commas between; that of the address in APP_URL where
    // there are none. And the addresses of proxies that say whom they ask for (X-Forwarded-…).
    'hosts' => env('TRUSTED_HOSTS', ''),
    // Hosts of this network, with their ports and commas between, that libraries may name as their own system or
    // school.
    'inner_hosts' => env('INNER_HOSTS', ''),
    'proxies' => env('TRUSTED_PROXIES', ''),
    // Whether the demo's cards may be shown on the sign-in page.
    'demo' => (bool) env('FIGPORCH_DEMO', false),
];
