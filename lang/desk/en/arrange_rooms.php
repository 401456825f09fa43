<?php

declare(strict_types=1);

return [
    'open' => 'Rooms',
    'title' => 'Rooms',
    'text' => 'The parts of this library, each for some readers, with lists of its own. They stand in this order wherever rooms are shown.',
    'add' => 'Add a room',
    'added' => 'The room is there. Lists are put in it where they are made.',
    'kept' => 'The room is kept so.',
    'lists' => '{0} no lists|{1} one list|[2,*] :count lists',
    'name' => 'Name',
    'about' => 'For whom it is, in a few words',
    'audience' => 'All titles for these readers',
    'audience_hint' => 'They can be opened from the room, beside its lists.',
    'nobody' => 'none: its lists alone',
    'ages' => 'Ages that can be chosen between',
    'ages_hint' => 'As 0-5, 6-8, 9-12; empty: none.',
    'keep' => 'Keep it so',
    'remove' => 'Remove this room',
    'remove_text' => 'It can be removed when no list is in it. Messages that stand in it alone are shown nowhere then.',
    'remove_yes' => 'Remove it',
    'removed' => 'The room is removed.',
    'has_lists' => 'Nothing was removed: lists are in this room. Put them in another first.',
    'last' => 'Nothing was removed: a library has one room at least.',
    'many' => 'Nothing was added: there are :most rooms, as many as there can be.',
    'needs_name' => 'A room needs a name.',
    'needs_ages' => 'Write ages as 0-5, 6-8, 9-12, up to :most ranges.',
];
