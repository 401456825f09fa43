<?php

declare(strict_types=1);

return [
    'nowhere' => 'Not here any more',
    'on_paper' => 'On paper at :library',
    'more' => '{1} and in :count more place|[2,*] and in :count more places',
    'copies' => '{1} :count copy|[2,*] :count copies',
    'open_to' => [
        'everybody' => 'Website, open to everybody',
        'card' => 'Website, for card holders of :library',
        'building' => 'Website, in the building at :library',
    ],
    'open' => 'Open website',
    'opens_elsewhere' => 'leads to another website',
    'needs_card' => 'It opens for a good card of :library.',
    'building_text' => 'It opens on the computers and in the network of :library.',
    'did_not_answer' => 'It did not answer when it was last looked at, on :date.',
    'in' => 'in at the moment',
    'in_of' => ':in of :of in at the moment',
    'out_until' => 'out, due back on :date',
    'out' => 'out at the moment',
    'ask_there' => 'ask at the library whether it is in',
];
