<?php

declare(strict_types=1);

return [
    'heading' => 'Ayuda',
    'text' => 'Una página para cada cosa. La tecla ?, o Ayuda abajo, abre la que corresponde junto a lo que está haciendo.',
    'find' => 'Buscar en la ayuda',
    'none' => 'Ninguna página de ayuda tiene «:words». Escriba a la biblioteca: allí responden personas.',
    'all' => 'Toda la ayuda',
    'close' => 'Cerrar',
    'more' => 'Ayuda con esto',
    'tour' => 'La visita',
    'tour_text' => 'Cinco cosas, y ya sabe moverse.',
    'steps' => [
        ['Porche', 'Esto es suyo: lo que está leyendo, lo que vence, lo que viene.'],
        ['Lámpara', 'Una lámpara encendida significa disponible ahora. A media luz significa una espera, y dice cuánto es probable que dure.'],
        ['Tomar prestado', 'Un toque, y lee, escucha o ve aquí, en cualquier dispositivo. Los préstamos terminan solos; no hay multas.'],
        ['Reserva', 'Cuando todos los ejemplares están fuera, haga una reserva. Se le avisa cuando uno es suyo.'],
        ['Ajustes', 'Sus carnés, de qué se le avisa y lo que se guarda de usted, que es poco.'],
    ],
    'understood' => 'Entendido',
    'desk' => 'Cómo se calculan las cifras',
];
