<?php

declare(strict_types=1);

return [
    'add' => 'Add a card',
    'add_text' => 'Of another library. Sign in with it once more, and both are yours here: their titles, loans and holds stand side by side.',
    'name' => 'A name of your own',
    'rename' => 'Name it',
    'put_first' => 'Put first',
    'is_first' => 'first',
    'remove' => 'Separate',
    'removed' => 'That card stands alone again. Sign in with it to see what was borrowed with it.',
    'not_removed' => 'It could not be taken apart. Return what is on loan to that card and cancel its holds first; the only card stays.',
    'outcomes' => [
        'added' => 'Your card of :library is here too.',
        'own_already' => 'That card is here already.',
        'same_library' => 'You have a card of :library here already. Ask the library to make the two one.',
        'with_others' => 'That card goes together with other cards already. Sign in with it, take it apart there, then add it here.',
        'changed' => 'Something changed while you signed in. Try again.',
    ],
    'ends_soon' => 'Your card of :library ends :date. Renew it at the library, :contact.',
    'ended' => 'Your card of :library ended on :date, so nothing can be borrowed with it. Renew it at the library, :contact.',
    'blocked' => 'Your card of :library is blocked, so nothing can be borrowed with it. Ask :contact.',
    'blocked_why' => 'Your card of :library is blocked, so nothing can be borrowed with it. The library says: “:why” Ask :contact.',
    'erase' => 'Erase me',
    'erase_text' => 'What is on loan is returned and what you wait for cancelled, at once. Your marks, notes, baskets, saved searches, history, letters and choices are deleted, and so are these cards here. Nobody can bring any of it back.',
    'erase_keeps' => 'What the library must keep has no name in it: how often titles were borrowed and waited for. The library itself may know you in its own system; ask there.',
    'take_first' => 'Take it with you first',
    'word' => 'ERASE',
    'type_word' => 'Type :word to go on',
    'word_needed' => 'Nothing was erased: type :word, as it stands there.',
    'erase_now' => 'Erase everything',
    'erased' => 'It is erased. Nothing here knows you any more.',
];
