<?php

declare(strict_types=1);

return [
    'back_15' => 'Atrás 15 segundos',
    'on_15' => 'Adelante 15 segundos',
    'part_before' => ['audiobook' => 'Capítulo anterior', 'music' => 'Pista anterior', 'video' => 'Episodio anterior'],
    'part_after' => ['audiobook' => 'Capítulo siguiente', 'music' => 'Pista siguiente', 'video' => 'Episodio siguiente'],
    'where_playing' => 'Punto',
    'sleep_timer' => 'Apagado automático',
    'sleep' => ['off' => 'No', '5' => '5 minutos', '15' => '15 minutos', '30' => '30 minutos', '60' => '1 hora', 'end' => 'Al final de esta parte'],
    'no_captions' => 'Ninguno',
    'caption_size' => 'Tamaño de los subtítulos',
    'caption_sizes' => ['small' => 'Pequeño', 'medium' => 'Mediano', 'large' => 'Grande'],
    'caption_ground' => 'Fondo de los subtítulos',
    'caption_grounds' => ['dark' => 'Oscuro', 'light' => 'Claro', 'none' => 'Sin fondo'],
    'bookmarks' => 'Marcadores',
];
