<?php

declare(strict_types=1);

return [
    'app' => 'Una aplicación de lectura',
    'heading' => 'Dónde tengo la sesión abierta',
    'text' => 'Cada navegador y cada aplicación de lectura en que entró con uno de sus carnés. Cierre lo que no conozca y después cambie su PIN.',
    'unknown' => 'Un navegador que no dice cuál es',
    'this_one' => 'Este',
    'used' => 'último uso :date',
    'stays' => 'sesión abierta',
    'end' => 'Cerrar',
    'end_others' => 'Cerrar todas las demás',
    'ended' => 'Esa sesión está cerrada. Lo que guardaba sin conexión se borra cuando vuelva a conectarse.',
    'others_ended' => '{0} No tenía otras sesiones abiertas.|{1} Se cerró :count sesión.|[2,*] Se cerraron :count sesiones.',
    'is_this' => 'Esa es la sesión en la que está ahora. Para salir, cierre la sesión.',
    'leaving' => 'Su sesión se cerrará en :seconds segundos, porque no ha hecho nada durante un rato.',
    'stay' => 'Sigo aquí',
];
