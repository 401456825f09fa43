<?php

declare(strict_types=1);

return [
    'heading' => 'A–Z',
    'kinds' => ['people' => 'Personas', 'series' => 'Series', 'subjects' => 'Materias', 'awards' => 'Premios'],
    'headings' => [
        'people' => 'Personas, A–Z',
        'series' => 'Series, A–Z',
        'subjects' => 'Materias, A–Z',
        'awards' => 'Premios, A–Z',
    ],
    'counted' => 'De lo que tiene la biblioteca, según el recuento de anoche.',
    'nothing' => 'Aún no hay nada aquí. Lo que llegó hoy estará mañana.',
    'all' => 'Todo',
    'letters' => 'Letras',
    'others' => 'las demás letras',
    'order' => 'Orden',
    'orders' => ['name' => 'Por nombre', 'titles' => 'Primero los que más títulos tienen'],
    'titles' => '{1} :count título|[2,*] :count títulos',
];
