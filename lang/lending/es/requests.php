<?php

declare(strict_types=1);

return [
    'ask_heading' => 'Pedir a :library que lo consiga',
    'ask_text' => 'La biblioteca no tiene este título. Su personal ve cuántas personas lo piden y decide. No se le muestra su nombre.',
    'ask_notice' => 'Avisarme cuando se decida',
    'ask_hold' => 'Ponerme en la cola cuando llegue',
    'ask_hold_text' => 'Quien lo pidió antes va antes en la cola.',
    'asked' => 'Se ha pedido a :library que consiga «:name».',
    'ask_words_text' => 'Para un título que no tiene ni :library ni nadie cuyo catálogo se consulte aquí. Su personal lee lo que escriba y decide. No se le muestra su nombre.',
    'ask_words_title' => 'Título',
    'ask_words_people' => 'De quién, si lo sabe',
    'ask_words_any' => 'Cualquier formato',
    'ask_words_isbn' => 'ISBN u otro número normalizado',
    'ask_words_known' => '¿Es uno de estos?',
    'ask_words_none' => 'Ninguno: pedirlo',
    'needs_card' => 'Para pedir algo a :library hace falta un carné de esa biblioteca.',
    'requests_text' => 'Lo que ha pedido a sus bibliotecas y lo que han respondido.',
    'no_requests' => 'No ha pedido nada. Busque más allá de sus bibliotecas los títulos que no tienen y pida lo que le gustaría leer.',
    'look_beyond' => 'Buscar más allá',
    'request_states' => ['open' => 'Pedido', 'here' => 'Ya está aquí', 'declined' => 'Por ahora no'],
    'change_wishes' => 'Cambiar',
    'withdraw' => 'Retirar',
    'request_withdrawn' => 'Ya no pide «:name».',
    'see_it' => 'Verlo',
];
