<?php

declare(strict_types=1);

return [
    'your_cards' => '{1}Su tarjeta de biblioteca|[2,*]Sus tarjetas de biblioteca',
    'show_card' => 'Mostrar mi carné',
    'calendar' => 'Vencimientos en su calendario',
    'calendar_text' => 'Una dirección que las aplicaciones de calendario pueden seguir. Quien la conozca ve lo que tiene en préstamo; una nueva anula la anterior.',
    'notices_text' => 'Lo que pasa no cambia, se le avise o no.',
    'tell_me' => 'Avisarme cuando',
    'keep_notices' => 'Guardar avisos',
    'notice_kinds' => [
        'hold_ready' => 'una reserva está lista',
        'hold_borrowed' => 'se tomó prestada una reserva por mí',
        'hold_lapsing' => 'un ejemplar queda guardado un día más',
        'hold_missed' => 'un ejemplar pasó al siguiente',
        'hold_lapsed' => 'se cerró una reserva',
        'hold_set_back' => 'se retiró un ejemplar listo',
        'loan_due_soon' => 'un préstamo vence en 3 días',
        'loan_due_tomorrow' => 'un préstamo vence mañana',
        'loan_ended' => 'un préstamo ha terminado',
        'licence_ending' => 'termina pronto la licencia de un título reservado',
        'licence_gone' => 'un título reservado ya no se puede prestar',
        'library_message' => 'la biblioteca tiene un mensaje importante',
        'letter_answered' => 'se ha respondido a una carta mía',
        'pin_changed' => 'mi PIN se cambió',
        'wrong_pins' => 'alguien prueba PIN erróneos con mi tarjeta',
        'request_answered' => 'se responde a una petición mía',
        'issue_here' => 'una revista que sigo tiene un número nuevo',
        'search_found' => 'algo nuevo encaja con una búsqueda guardada',
    ],
];
