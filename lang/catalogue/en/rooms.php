<?php

declare(strict_types=1);

return [
    'heading' => 'The rooms of :library',
    'text' => 'Each room is for some readers and has its own lists, made by the librarians. Any list opens whole, with all filters.',
    'names' => ['children' => 'Children’s room', 'teen' => 'Teen room', 'reading' => 'Reading room', 'study' => 'Study room'],
    'for' => ['children' => 'For children, and those who read to them', 'teen' => 'For teens', 'reading' => 'For grown-up readers', 'study' => 'For courses, and to look things up'],
    'no_lists' => 'The librarians have made no list for this room yet.',
    'everything' => 'All titles for these readers',
    'opens_with' => 'This room opens with:',
    'all' => 'everything',
    'ages' => 'ages :range',
    'ages_legend' => 'Ages',
    'any_age' => 'Any',
    'kind_legend' => 'Fiction or not',
    'kinds' => ['both' => 'Both', 'fiction' => 'Fiction', 'facts' => 'Non-fiction'],
    'subjects_legend' => 'About any of these',
    'keep' => 'Open it so from now on',
    'clear' => 'Open it with everything',
    'kept' => 'The room opens so from now on.',
    'cleared' => 'The room opens with everything again.',
    'index' => 'Lists in this room',
    'whole' => 'See the whole list',
    'none_fit' => 'Nothing on this list fits what the room opens with.',
];
