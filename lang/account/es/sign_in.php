<?php

declare(strict_types=1);

return [
    'card_number' => 'Número de carné',
    'pin' => 'PIN',
    'number_needed' => 'Escriba el número de su carné.',
    'pin_needed' => 'Escriba el PIN del carné.',
    'lost_pin' => '¿Ha perdido el PIN? Pregunte: :contact.',
    'other_library' => 'Mi carné es de otra biblioteca',
    'no_match' => 'El número de carné y el PIN no corresponden. Compruébelos e inténtelo otra vez; si ha perdido el PIN, pregunte: :contact.',
    'demo_cards' => 'Esto es una demostración. Carnés que funcionan aquí:',
    'session_over' => 'Su sesión se cerró porque no hubo actividad durante un tiempo. Inicie sesión de nuevo para seguir.',
    'forgotten_pin' => 'PIN olvidado',
    'forgotten_pin_text' => 'Si su tarjeta de :library tiene una dirección de correo, recibirá allí un enlace para elegir otro PIN.',
    'send_pin_link' => 'Enviarme un enlace',
    'pin_link_sent' => 'Si existe esa tarjeta y tiene dirección de correo, hay un enlace en camino; vale una vez, durante :minutes minutos. Si no llega, pregunte: :contact.',
    'pin_link_over' => 'Ese enlace ya se usó o ha caducado. Pida otro.',
    'choose_pin' => 'Elegir un PIN',
    'choose_pin_text' => 'Para su tarjeta de :library que termina en :ending.',
    'new_pin' => 'PIN nuevo',
    'new_pin_hint' => 'De 4 a 12 cifras, no todas iguales, no seguidas, y no de su número de tarjeta.',
    'old_pin' => 'PIN hasta ahora',
    'set_pin' => 'Poner el PIN',
    'pin_is_set' => 'El PIN está puesto. Entre con él.',
    'pin_is_changed' => 'El PIN está cambiado. Donde más tuviera la sesión abierta, ya no la tiene.',
    'change_pin' => 'Cambiar su PIN',
    'old_pin_wrong' => 'No es su PIN hasta ahora. No se cambió nada.',
    'weak_pins' => [
        'no_pin' => 'Un PIN tiene de 4 a 12 cifras.',
        'all_the_same' => 'Las cifras todas iguales se prueban primero. Elija otro PIN.',
        'in_a_row' => 'Las cifras seguidas se prueban primero. Elija otro PIN.',
        'of_the_card' => 'Estas cifras están en su tarjeta. Elija otro PIN.',
    ],
    'stay_signed_in' => 'Mantener la sesión abierta en este dispositivo',
    'stay_signed_in_hint' => 'Durante 30 días. Puede cerrarla en Ajustes, desde cualquier dispositivo.',
];
