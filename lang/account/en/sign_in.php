<?php

declare(strict_types=1);

return [
    'card_number' => 'Card number',
    'pin' => 'PIN',
    'number_needed' => 'Type the number on your library card.',
    'pin_needed' => 'Type the PIN that goes with the card.',
    'lost_pin' => 'Lost your PIN? Ask :contact.',
    'other_library' => 'My card is from another library',
    'no_match' => 'This card number and PIN do not go together. Check both and try again; if the PIN is lost, ask :contact.',
    'demo_cards' => 'This is a demo. Cards that work here:',
    'session_over' => 'You were signed out, because nothing was done for a while. Sign in again to go on.',
    'forgotten_pin' => 'PIN forgotten',
    'forgotten_pin_text' => 'If your card at :library has a mail address, you get a link there to choose another PIN.',
    'send_pin_link' => 'Send me a link',
    'pin_link_sent' => 'If there is such a card and it has a mail address, a link is on its way; it is good once, for :minutes minutes. If none comes, ask :contact.',
    'pin_link_over' => 'That link has been used, or is too old. Have another one sent.',
    'choose_pin' => 'Choose a PIN',
    'choose_pin_text' => 'For your card at :library that ends in :ending.',
    'new_pin' => 'New PIN',
    'new_pin_hint' => '4 to 12 digits, not all the same, not in a row, and not from your card number.',
    'old_pin' => 'PIN until now',
    'set_pin' => 'Set the PIN',
    'pin_is_set' => 'The PIN is set. Sign in with it.',
    'pin_is_changed' => 'The PIN is changed. Wherever else you were signed in, you are not any more.',
    'change_pin' => 'Change your PIN',
    'old_pin_wrong' => 'That is not your PIN until now. Nothing was changed.',
    'weak_pins' => [
        'no_pin' => 'A PIN has 4 to 12 digits.',
        'all_the_same' => 'Digits that are all the same are tried first. Choose another PIN.',
        'in_a_row' => 'Digits in a row are tried first. Choose another PIN.',
        'of_the_card' => 'These digits stand on your card. Choose another PIN.',
    ],
    'stay_signed_in' => 'Stay signed in on this device',
    'stay_signed_in_hint' => 'For 30 days. You can end it in Settings, from any device.',
];
