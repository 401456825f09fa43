<?php

declare(strict_types=1);

return [
    'heading' => 'A–Z',
    'kinds' => ['people' => 'People', 'series' => 'Series', 'subjects' => 'Subjects', 'awards' => 'Awards'],
    'headings' => [
        'people' => 'People, A–Z',
        'series' => 'Series, A–Z',
        'subjects' => 'Subjects, A–Z',
        'awards' => 'Awards, A–Z',
    ],
    'counted' => 'Of what the library has, as counted last night.',
    'nothing' => 'There is nothing here yet. What came today is here tomorrow.',
    'all' => 'All',
    'letters' => 'Letters',
    'others' => 'all other letters',
    'order' => 'Order',
    'orders' => ['name' => 'By name', 'titles' => 'Most titles first'],
    'titles' => '{1} :count title|[2,*] :count titles',
];
