<?php

declare(strict_types=1);

return [
    'heading' => 'On this device',
    'intro' => 'These loans open here without a network. They leave this device when the loan ends, when it is returned, and when you sign out.',
    'nothing' => 'Nothing is on this device. Under Loans, “Take offline” puts a loan here.',
    'no_network' => 'There is no network at the moment.',
    'no_scripts' => 'This page needs scripts, and a browser that can keep files.',
    'data_saver' => 'Data saver',
    'data_saver_text' => 'On this device, nothing is taken offline and no sound or film is played over a connection that costs, unless you allow it at the time.',
    'not_allowed' => 'The licence of this title does not allow taking it offline.',
    'texts' => [
        'take' => 'Take offline · :size',
        'taking' => 'Taking offline: :here of :size',
        'pause' => 'Pause',
        'go_on' => 'Go on · :here of :size',
        'here' => 'On this device',
        'remove' => 'Remove from this device',
        'until' => 'until :date',
        'ended' => 'The loan has ended, and it has left this device.',
        'dismiss' => 'Understood',
        'stopped' => 'There is no connection. It goes on from here when there is one.',
        'no_room' => 'There is not enough room on this device. Remove something and go on.',
        'refused' => 'It could not be taken offline. Load the page again and try once more.',
        'costs' => 'Data saver is on, and this connection costs.',
        'anyway' => 'Do it anyway',
        'room' => ':used on this device; about :free left.',
        'incomplete' => 'not complete: go on under Loans',
        'open' => 'Open',
    ],
    'keep_card' => 'Keep it on this device',
    'forget_card' => 'No longer keep it here',
    'card_kept' => 'It can be shown here without a network, under “On this device”.',
    'card_gone' => 'It is no longer kept here.',
    'card_failed' => 'It could not be kept here. Check the connection and try again.',
    'cards' => 'My cards',
];
