<?php

declare(strict_types=1);

return [
    'heading' => 'Teclas',
    'close' => 'Cerrar',
    'open' => 'Teclas',
    'act' => 'Letras y signos actúan por sí solos',
    'act_text' => 'En este navegador. Desactívelo si habla a su ordenador o pulsa teclas sin querer; las flechas, Intro y Escape siguen funcionando.',
    'where' => ['pages' => 'En todas las páginas', 'reader' => 'En el lector', 'player' => 'En el reproductor'],
    'names' => ['Space' => 'Espacio', 'Home End' => 'Inicio Fin'],
    'pages' => [
        '/' => 'a la búsqueda',
        'h' => 'ayuda para la página',
        '?' => 'esta lista',
        'g p' => 'al Porche',
        'g c' => 'al catálogo',
        'g l' => 'a los préstamos',
        'g h' => 'a las reservas',
        'g r' => 'a las salas',
        'g b' => 'a las cestas',
        'Esc' => 'cierra lo que está abierto',
    ],
    'reader' => [
        '← →' => 'pasan la página',
        'Space' => 'una página adelante; con Mayús, atrás',
        'Home End' => 'al principio y al final',
        'c' => 'contenido',
        'f' => 'buscar',
        'm' => 'marcas',
        'a' => 'aspecto',
        'r' => 'lee en voz alta',
        's' => 'selecciona una palabra; las flechas otra, con Mayús más, Intro qué se puede hacer',
        't' => 'el texto de páginas fijas',
        '?' => 'esta lista',
        'Esc' => 'cierra lo que está abierto y después el libro',
    ],
    'player' => [
        'Space' => 'reproduce y pausa',
        '← →' => 'un poco atrás y adelante',
        '↑ ↓' => 'más rápido y más lento',
        '0–9' => 'a tantas décimas partes del total',
        'm' => 'silencia y devuelve el sonido',
        'f' => 'una película a pantalla completa, y de vuelta',
        'c' => 'subtítulos sí o no',
        '?' => 'esta lista',
    ],
];
