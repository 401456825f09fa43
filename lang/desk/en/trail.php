<?php

declare(strict_types=1);

return [
    'title' => 'Audit trail',
    'text' => 'What staff changed here, in the last year. What patrons read is never written down.',
    'when' => 'When',
    'who' => 'Who',
    'what_heading' => 'What',
    'subject' => 'Of',
    'change' => 'From → to',
    'anybody' => 'Anybody',
    'anything' => 'Anything',
    'from' => 'From',
    'until' => 'Until',
    'find' => 'With the words',
    'empty' => 'Nothing has been changed here yet.',
    'none' => 'Nothing was changed that is like that.',
    'nothing' => 'nothing',
    'yes' => 'yes',
    'no' => 'no',
    'what' => [
        'staff_invited' => 'Invited',
        'staff_joined' => 'Began to work here',
        'staff_role' => 'Another role',
        'staff_left' => 'Left',
    ],
    'facts' => ['role' => 'Role'],
];
